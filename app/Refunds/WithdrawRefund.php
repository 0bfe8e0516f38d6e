<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Orders\Order;
use App\Refunds\Happened\RefundWithdrawn;
use App\Returns\SettleReturn;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Takes back what has not left yet,
     or gives up on what could not go back: its units and its delivery can be given back by another worksheet. Should the provider say
 * later that it has paid all the same, it counts as given back.
 */
final readonly class WithdrawRefund
{
    public function __construct(private Journal $journal, private SettleReturn $settleReturn) {}

    /**
     * @throws RefundsRefused
     */
    public function withdraw(Refund $refund, Teammate $teammate): void
    {
        DB::transaction(function () use ($refund, $teammate): void {
            $order = Order::query()->lockForUpdate()->findOrFail($refund->order_id);
            $locked = Refund::query()->lockForUpdate()->with(['payouts', 'conversation'])->findOrFail($refund->id);
            $locked->setRelation('payouts', $locked->payouts()->lockForUpdate()->orderBy('id')->get());
            match (true) {
                $locked->hasNotLeft() => $this->stop($locked),
                $locked->state === RefundState::Requested => throw RefundsRefused::hasLeft(),
                $locked->state !== RefundState::Stuck => throw RefundsRefused::notStuck(),
                $locked->payouts->contains('state', PayoutState::Done) => throw RefundsRefused::partlyGiven(),
                default => null,
            };
            $locked->forceFill(['state' => RefundState::Withdrawn, 'ended_at' => now()])->save();
            $locked->conversation === null ?: $this->journal->record($locked->conversation, new RefundWithdrawn(
                new Named($order->id, $order->number), new Named($locked->id, $locked->reason), $locked->total, $locked->currency
            ), Actor::teammate($teammate));
            $this->settleReturn->reopen($locked, Actor::teammate($teammate));
        });
    }

    /**
     * What waits has not been asked of anybody: it is not asked for any more.
     */
    private function stop(Refund $refund): void
    {
        $refund->payouts()->update(['state' => PayoutState::Failed, 'why' => 'taken back', 'next_at' => null, 'ended_at' => now()]);
    }
}
