<?php

declare(strict_types=1);

namespace App\StoreCredit;

use App\Channels\Account;
use App\Channels\Services\EventFields;
use App\Channels\Services\UnreadableEvent;
use App\Orders\TakesCredits;
use App\Refunds\Payout;
use Illuminate\Support\Facades\DB;

/**
 * What the shop tells of a store credit: all of its entries, each of which counts once. Told late or twice, nothing is counted twice.
 */
final class TakeCredit implements TakesCredits
{
    /**
     * @param  EventFields  $credit  with its code, currency and entries
     * @param  Payout|null  $payout  what it was given for, where we asked for it
     *
     * @throws UnreadableEvent
     */
    public function take(Account $account, EventFields $credit, ?Payout $payout = null): string
    {
        return DB::transaction(static function () use ($account, $credit, $payout): string {
            $code = $credit->id('code');
            $currency = $credit->text('currency', 3);
            $reference = $credit->optionalText('reference', 100);
            $payout ??= $reference === null ? null : Payout::query()->where('once', $reference)->with('refund.order')->first();
            $payout?->loadMissing('refund.order');
            DB::table('store_credits')->insertOrIgnore([
                'account_id' => $account->id, 'code' => $code, 'currency' => $currency, 'given_at' => $credit->instant('given_at'),
                'payout_id' => $payout?->id, 'customer_id' => $payout?->refund->order->customer_id, 'bonus' => $payout->bonus ?? 0,
            ]);
            $kept = StoreCredit::query()->where('account_id', $account->id)->where('code', $code)->lockForUpdate()->firstOrFail();
            if ($kept->payout_id === null && $payout !== null) {
                $kept->forceFill([
                    'payout_id' => $payout->id, 'customer_id' => $payout->refund->order->customer_id, 'bonus' => $payout->bonus,
                ])->save();
            }
            $news = 0;
            foreach ($credit->objects('entries') as $entry) {
                $kind = CreditEntryKind::tryFrom($entry->text('kind', 20))
                    ?? throw UnreadableEvent::field('credit.entries.kind', 'given, used or lapsed');
                $news += DB::table('store_credit_entries')->insertOrIgnore([
                    'store_credit_id' => $kept->id, 'outside_id' => $entry->id('id'), 'kind' => $kind->value,
                    'amount' => $entry->integer('amount'), 'order_number' => $entry->optionalText('order', 60),
                    'at' => $entry->instant('at'),
                ]);
            }

            return $news === 0 ? 'again' : 'new';
        });
    }
}
