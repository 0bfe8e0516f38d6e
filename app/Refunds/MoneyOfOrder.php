<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\OrderPayment;
use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\EarlierRefund;
use Cairnfield\Core\Refunds\LineUnits;
use Cairnfield\Core\Refunds\OrderLine as QuotedOrderLine;
use Cairnfield\Core\Refunds\PaidOrder;
use Cairnfield\Core\Refunds\Payment;
use Cairnfield\Core\Refunds\PricedOrder;
use Illuminate\Support\Facades\DB;

/**
 * An order's money as the core reckons with it: what was paid, and what has gone back, by us and past us.
 *
 * The shop tells of each payment what went back; the provider may know of more, and ours may be on their way: the most of these
 * counts, so that nothing is given twice. Units that went back past us are those whose money the shop has given back whole.
 */
final readonly class MoneyOfOrder
{
    /**
     * @param  list<EarlierRefund>  $earlier
     */
    private function __construct(public PaidOrder $paid, public array $earlier) {}

    public static function of(Order $order): self
    {
        $order->loadMissing(['lines', 'payments']);
        $currency = Currency::of($order->currency);
        $money = static fn (int $units): Money => Money::ofUnits(BigInteger::of($units), $currency);
        $own = Refund::query()->where('order_id', $order->id)->with(['lines', 'payouts'])->orderBy('id')->get();
        $elsewhere = DB::table('refunds_elsewhere')->whereIn('payment', $order->payments->pluck('outside_id'))
            ->where('state', '!=', PayoutState::Failed->value)
            ->groupBy('payment')->selectRaw('payment, SUM(amount) AS amount')->pluck('amount', 'payment');
        $ours = [];
        foreach ($own as $refund) {
            foreach ($refund->payouts as $payout) {
                $counts = $payout->state !== PayoutState::Failed;
                $ours[$payout->order_payment_id] = ($ours[$payout->order_payment_id] ?? 0) + ($counts ? $payout->amount : 0);
            }
        }
        $paid = new PaidOrder(
            $currency, $order->prices_include_tax,
            array_values($order->lines->map(static fn (OrderLine $line): QuotedOrderLine => new QuotedOrderLine(
                (string) $line->id, $line->quantity, $money($line->unit_price), $money($line->discount), BigDecimal::of($line->tax_rate)
            ))->all()),
            $money($order->order_discount), $money($order->shipping_amount), BigDecimal::of($order->shipping_tax_rate),
            array_values($order->payments->map(static fn (OrderPayment $payment): Payment => new Payment(
                (string) $payment->id, $money($payment->captured), $money(min($payment->captured, max(
                    $payment->refunded, ($ours[$payment->id] ?? 0) + (int) ($elsewhere[$payment->outside_id] ?? 0)
                )))
            ))->all())
        );

        return new self($paid, self::earlier($order, $paid, array_values($own->all())));
    }

    /**
     * What is left of all payments, in smallest units.
     */
    public function left(): int
    {
        return array_sum(array_map(static fn (Payment $payment): int => $payment->left()->toInt(), $this->paid->payments));
    }

    /**
     * Units that have gone back, by line.
     *
     * @return array<int, int>
     */
    public function unitsBack(): array
    {
        $units = [];
        foreach ($this->earlier as $refund) {
            foreach ($refund->lines as $line) {
                $units[(int) $line->line] = ($units[(int) $line->line] ?? 0) + $line->quantity;
            }
        }

        return $units;
    }

    /**
     * @param  list<Refund>  $own
     * @return list<EarlierRefund>
     */
    private static function earlier(Order $order, PaidOrder $paid, array $own): array
    {
        $money = static fn (int $units): Money => Money::ofUnits(BigInteger::of(max(0, $units)), $paid->currency);
        $earlier = $units = $gross = [];
        $delivery = 0;
        foreach ($own as $refund) {
            if ($refund->state === RefundState::Withdrawn) {
                continue;
            }
            $earlier[] = new EarlierRefund(array_values($refund->lines->map(
                static fn (RefundLine $line): LineUnits => new LineUnits((string) $line->order_line_id, $line->quantity)
            )->all()), $money($refund->delivery_gross));
            $delivery += $refund->delivery_gross;
            foreach ($refund->lines as $line) {
                $units[$line->order_line_id] = ($units[$line->order_line_id] ?? 0) + $line->quantity;
                $gross[$line->order_line_id] = ($gross[$line->order_line_id] ?? 0) + $line->gross;
            }
        }
        $priced = PricedOrder::of($paid);
        $past = [];
        foreach ($order->lines as $line) {
            $more = min(
                $line->quantity - ($units[$line->id] ?? 0),
                $priced->unitsFor((string) $line->id, $money($line->refunded - ($gross[$line->id] ?? 0)))
            );
            $more < 1 ?: $past[] = new LineUnits((string) $line->id, $more);
        }
        $deliveryPast = min($priced->delivery->gross->toInt() - $delivery, $order->shipping_refunded - $delivery);

        // First of all: it was given by the shop before anybody asked here.
        return $past === [] && $deliveryPast < 1 ? $earlier : [new EarlierRefund($past, $money($deliveryPast)), ...$earlier];
    }
}
