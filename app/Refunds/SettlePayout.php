<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Orders\Order;
use App\Refunds\Happened\RefundEnded;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Writes down how a payout went, once, whoever says so first: the answer to our asking, the provider's notice, or its book. When all
 * of a refund is over, so is the refund.
 */
final readonly class SettlePayout
{
    public function __construct(private Journal $journal, private Notify $tell) {}

    /**
     * @param  string|null  $outsideId  the provider's number of it, where it has one
     */
    public function settle(int $payoutId, PayoutState $state, ?string $outsideId, ?string $why = null): void
    {
        DB::transaction(function () use ($payoutId, $state, $outsideId, $why): void {
            $refundId = (int) Payout::query()->whereKey($payoutId)->value('refund_id');
            // In one order everywhere: the order, then its parts.
            Order::query()->whereKey((int) Refund::query()->whereKey($refundId)->value('order_id'))->lockForUpdate()->value('id');
            $payout = Payout::query()->lockForUpdate()->findOrFail($payoutId);
            if (! $payout->state->becomes($state)) {
                return;
            }
            $payout->forceFill([
                'state' => $state, 'outside_id' => $outsideId ?? $payout->outside_id,
                'why' => $why === null ? null : mb_substr($why, 0, 300),
                // A notice can be lost: then it is asked for.
                'next_at' => $state === PayoutState::Sent ? now()->addSeconds((int) config('cairnfield.refunds.asks_after')) : null,
                'ended_at' => $state->isOver() ? now() : null, 'attempts' => 0,
            ])->save();
            $state->isOver() && $this->endRefund($refundId);
        });
    }

    private function endRefund(int $refundId): void
    {
        $refund = Refund::query()->lockForUpdate()->with(['payouts', 'order', 'conversation'])->findOrFail($refundId);
        $open = $refund->payouts->filter(static fn (Payout $payout): bool => ! $payout->state->isOver());
        if ($open->isNotEmpty() || $refund->state === RefundState::Done) {
            return;
        }
        $failed = $refund->payouts->where('state', PayoutState::Failed);
        $isDone = $failed->isEmpty();
        $refund->forceFill([
            'state' => $isDone ? RefundState::Done : RefundState::Stuck, 'ended_at' => $isDone ? now() : null,
            'book_next_at' => $isDone ? now() : null, 'note_next_at' => $isDone ? now() : null,
        ])->save();
        $amount = $isDone ? $refund->goesBack() : (int) $failed->sum('amount');
        $refund->conversation === null || $amount === 0 ?: $this->journal->record($refund->conversation, new RefundEnded(
            new Named($refund->order->id, $refund->order->number), new Named($refund->id, $refund->reason), $amount,
            $refund->currency, $isDone
        ), Actor::application(), $isDone ? '' : (string) $failed->first()?->why);
        $isDone || $this->tellOfFailure($refund, $refund->order->money($amount), (string) $failed->first()?->why);
    }

    private function tellOfFailure(Refund $refund, string $amount, string $why): void
    {
        $people = Teammate::leads()->all();
        $own = $refund->teammate_id === null ? null : Teammate::working()->find($refund->teammate_id);
        $this->tell->people(
            array_values(array_unique(array_filter([$own, ...$people]), SORT_REGULAR)), NewsKind::RefundFailed, "refund-{$refund->id}",
            "{$amount} of order {$refund->order->number} could not go back: {$why}", $refund->conversation_id
        );
    }
}
