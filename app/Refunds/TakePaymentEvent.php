<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Account;
use App\Channels\Services\EventFields;
use App\Channels\Services\TakesEvents;
use App\Channels\Services\UnreadableEvent;
use Illuminate\Support\Facades\DB;

/**
 * What the payment provider tells: how what we asked for went, and what was given back past us.
 */
final readonly class TakePaymentEvent implements TakesEvents
{
    public function __construct(private SettlePayout $settle) {}

    public function take(Account $account, array $event): string
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);
        if ($type !== 'refund.changed') {
            throw UnreadableEvent::unknownType($type);
        }

        return $this->refund($account, ToldRefund::read($fields->object('data')->object('refund'))) ? 'new' : 'again';
    }

    /**
     * @return bool whether it was news
     */
    public function refund(Account $account, ToldRefund $told): bool
    {
        $own = $told->reference === null ? null : Payout::query()->where('once', $told->reference)->first();
        if ($own !== null) {
            $isNews = $own->state->becomes($told->state);
            $this->settle->settle($own->id, $told->state, $told->id, $told->why);

            return $isNews;
        }
        $at = ['account_id' => $account->id, 'outside_id' => $told->id];
        $known = DB::table('refunds_elsewhere')->where($at)->value('state');
        DB::table('refunds_elsewhere')->upsert([[
            ...$at, 'payment' => $told->payment, 'amount' => $told->amount, 'state' => $told->state->value, 'at' => $told->at,
        ]], ['account_id', 'outside_id'], PayoutState::tryFrom((string) $known)?->isOver() === true ? ['at'] : ['state']);

        return $known !== $told->state->value;
    }
}
