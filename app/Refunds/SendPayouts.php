<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Account;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\StoreCredit\GiveCredit;
use App\Support\RegularJob;

/**
 * Asks the provider for what is to be paid out, and for how it went where it has not said so. Each payout is asked for under one key,
 * however often: two workers at once, a lost answer and a killed worker give back once.
 */
final class SendPayouts extends RegularJob
{
    private const AT_ONCE = 50;

    /** Says nothing of the payout: our key is not taken, or the same is being asked for at this moment. It may have been paid before. */
    private const OURS_TO_MEND = [401, 403, 409];

    /** Paid with what came back of another order. */
    private const KEPT = 'kept';

    private const NOT_TO_KEPT = 'It was paid with what came back of another order: give it as store credit, or pay it in another way.';

    private const NOT_CONNECTED = 'Who holds the payment is not connected. An administrator connects it under Ways in.';

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(ServiceClient $client, SettlePayout $settle, GiveCredit $credit): void
    {
        $due = Payout::query()->whereNotNull('next_at')->where('next_at', '<=', now())->with(['payment', 'refund.order'])
            ->orderBy('next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $payout) {
            if (! DueRow::claim($payout, 'next_at')) {
                continue;
            }
            if ($payout->method === PayoutMethod::Credit) {
                $this->credit($payout, $credit, $settle);
            } elseif ($payout->payment->kind === self::KEPT) {
                $settle->settle($payout->id, PayoutState::Failed, null, self::NOT_TO_KEPT);
            } elseif ($payout->payment->kind !== 'card') {
                // The shop keeps what is on gift cards: it gives it back when it is told.
                $settle->settle($payout->id, PayoutState::Done, null);
            } else {
                $account = PaymentProvider::of($payout->refund->order);
                $account === null
                    ? $this->later($payout, self::NOT_CONNECTED)
                    : $this->ask($payout, $account, $client, $settle);
            }
        }
    }

    private function ask(Payout $payout, Account $account, ServiceClient $client, SettlePayout $settle): void
    {
        try {
            $answer = $payout->outside_id !== null
                ? $client->get($account, "/v1/refunds/{$payout->outside_id}")
                : $client->send($account, 'POST', '/v1/refunds', [
                    'payment' => $payout->payment->outside_id, 'amount' => $payout->amount, 'currency' => $payout->refund->currency,
                    'reference' => $payout->once,
                ], $payout->once);
            $told = ToldRefund::read(EventFields::of($answer)->object('refund'));
            $settle->settle($payout->id, $told->state, $told->id, $told->why);
            if ($told->state === PayoutState::Sent && $payout->state === PayoutState::Sent) {
                $this->later($payout, null);
            }
        } catch (ServiceFault $fault) {
            $fault->isFinal && $payout->outside_id === null && ! in_array($fault->status, self::OURS_TO_MEND, true)
                ? $settle->settle($payout->id, PayoutState::Failed, null, $fault->getMessage())
                : $this->later($payout, $fault->getMessage(), $fault->retryAfter);
        } catch (UnreadableEvent $why) {
            $this->later($payout, $why->getMessage());
        }
    }

    private function credit(Payout $payout, GiveCredit $credit, SettlePayout $settle): void
    {
        try {
            $code = $credit->give($payout);
            $code === null ? $this->later($payout, 'The shop is switched off just now.')
                : $settle->settle($payout->id, PayoutState::Done, $code);
        } catch (ServiceFault $fault) {
            $fault->isFinal && ! in_array($fault->status, self::OURS_TO_MEND, true)
                ? $settle->settle($payout->id, PayoutState::Failed, null, $fault->getMessage())
                : $this->later($payout, $fault->getMessage(), $fault->retryAfter);
        } catch (UnreadableEvent $why) {
            $this->later($payout, $why->getMessage());
        }
    }

    private function later(Payout $payout, ?string $why, ?int $seconds = null): void
    {
        Payout::query()->whereKey($payout->id)->whereIn('state', [PayoutState::Requested, PayoutState::Sent])->update([
            'attempts' => $payout->attempts + 1, 'next_at' => DueRow::next($payout->attempts, $seconds),
            'why' => $why === null ? null : mb_substr($why, 0, 300),
        ]);
    }
}
