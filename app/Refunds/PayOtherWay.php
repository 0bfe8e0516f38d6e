<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Where a card is gone: the money is paid by hand in another way, as one person says and a second one agrees to. Nothing counts as given
 * back before that yes.
 */
final readonly class PayOtherWay
{
    public function __construct(private SettlePayout $settle) {}

    /**
     * @param  string  $how  such as `by bank transfer, as Dov asked by telephone`
     *
     * @throws RefundsRefused
     */
    public function propose(Refund $refund, string $how, Teammate $teammate): void
    {
        $how = mb_substr(trim($how), 0, 200);
        $how === '' && throw RefundsRefused::noOtherWay();
        DB::transaction(function () use ($refund, $how, $teammate): void {
            foreach ($this->failed($refund) as $payout) {
                $payout->forceFill(['other_way' => $how, 'proposed_by' => $teammate->id])->save();
            }
        });
    }

    /**
     * @throws RefundsRefused
     */
    public function agree(Refund $refund, Teammate $teammate): void
    {
        DB::transaction(function () use ($refund, $teammate): void {
            $failed = $this->failed($refund);
            $order = Order::query()->with(['lines', 'payments'])->findOrFail($refund->order_id);
            $left = [];
            foreach (MoneyOfOrder::of($order)->paid->payments as $payment) {
                $left[(int) $payment->id] = $payment->left()->toInt();
            }
            foreach ($failed as $payout) {
                $payout->other_way === null && throw RefundsRefused::noOtherWay();
                $payout->proposed_by === $teammate->id && throw RefundsRefused::samePerson();
                $payout->amount > ($left[$payout->order_payment_id] ?? 0)
                    && throw RefundsRefused::gaveElsewhere($order->money($left[$payout->order_payment_id] ?? 0));
                $payout->forceFill(['method' => PayoutMethod::Other, 'agreed_by' => $teammate->id])->save();
            }
            foreach ($failed as $payout) {
                $this->settle->settle($payout->id, PayoutState::Done, null);
            }
        });
    }

    /**
     * @return iterable<Payout> held until the transaction ends
     *
     * @throws RefundsRefused
     */
    private function failed(Refund $refund): iterable
    {
        Order::query()->whereKey($refund->order_id)->lockForUpdate()->value('id');
        $locked = Refund::query()->lockForUpdate()->findOrFail($refund->id);
        $failed = $locked->payouts()->where('state', PayoutState::Failed)->lockForUpdate()->orderBy('id')->get();
        $locked->state === RefundState::Stuck && $failed->isNotEmpty() || throw RefundsRefused::notStuck();

        return $failed;
    }
}
