<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Orders\Order;
use App\Refunds\Happened\RefundAsked;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Asks once more for what could not go back: as something new, where there is still as much left of that payment.
 */
final readonly class RetryRefund
{
    public function __construct(private Journal $journal) {}

    /**
     * @throws RefundsRefused
     */
    public function again(Refund $refund, Teammate $teammate): void
    {
        $this->ask($refund, $teammate, [], 'tried again');
    }

    /**
     * Where the card is gone: what could not go back becomes a code of the shop.
     *
     * @throws RefundsRefused
     */
    public function asCredit(Refund $refund, Teammate $teammate): void
    {
        $this->ask($refund, $teammate, ['method' => PayoutMethod::Credit], 'as store credit');
    }

    /**
     * @param  array<string, mixed>  $with  how it goes back this time
     *
     * @throws RefundsRefused
     */
    private function ask(Refund $refund, Teammate $teammate, array $with, string $why): void
    {
        DB::transaction(function () use ($refund, $teammate, $with, $why): void {
            $order = Order::query()->lockForUpdate()->with(['lines', 'payments'])->findOrFail($refund->order_id);
            $locked = Refund::query()->lockForUpdate()->with(['payouts', 'conversation'])->findOrFail($refund->id);
            $failed = $locked->payouts->where('state', PayoutState::Failed);
            if ($locked->state !== RefundState::Stuck || $failed->isEmpty()) {
                throw RefundsRefused::notStuck();
            }
            $left = [];
            foreach (MoneyOfOrder::of($order)->paid->payments as $payment) {
                $left[(int) $payment->id] = $payment->left()->toInt();
            }
            foreach ($failed as $payout) {
                if ($payout->amount > ($left[$payout->order_payment_id] ?? 0)) {
                    throw RefundsRefused::gaveElsewhere($order->money($left[$payout->order_payment_id] ?? 0));
                }
                $payout->forceFill([
                    ...$with, 'state' => PayoutState::Requested, 'once' => Str::uuid()->toString(), 'outside_id' => null, 'why' => null,
                    'attempts' => 0, 'next_at' => now(), 'ended_at' => null,
                ])->save();
            }
            $locked->forceFill(['state' => RefundState::Requested])->save();
            $locked->conversation === null ?: $this->journal->record($locked->conversation, new RefundAsked(
                new Named($order->id, $order->number), new Named($locked->id, $locked->reason), (int) $failed->sum('amount'),
                $locked->currency
            ), Actor::teammate($teammate), $why);
            SendPayouts::dispatch()->afterCommit();
        });
    }
}
