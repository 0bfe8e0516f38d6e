<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

/**
 * What an order's lines, delivery, fees and payments give back, to the last smallest unit, such that any sequence of partial refunds
 * that covers everything adds up to exactly what was paid.
 */
final readonly class RefundQuote
{
    /**
     * @param  list<QuotedLine>  $lines  in the order of the request, an entry each
     * @param  list<QuotedPayment>  $payments  those that get something, in the order's order
     * @param  Money  $left  of all payments, after this
     */
    private function __construct(
        public array $lines, public QuotedAmount $delivery, public Money $fee, public Money $label, public Money $goodwill,
        public Money $total, public array $payments, public Money $left
    ) {}

    /**
     * @param  list<EarlierRefund>  $earlier  in the order in which they were made
     *
     * @throws RefundRefused `negative_amount`, `unknown_line`, `quantity_over_remaining`, `shipping_over_remaining`,
     *   `fee_exceeds_refund`, `nothing_to_refund` or `over_captured`, whichever comes first in this order
     */
    public static function of(PaidOrder $order, array $earlier, RefundRequest $request): self
    {
        $currency = $order->currency;
        $money = static fn (BigInteger $units): Money => Money::ofUnits($units, $currency);
        $priced = PricedOrder::of($order);
        $quantities = [];
        foreach ($order->lines as $line) {
            $quantities[$line->id] = $line->quantity;
        }
        self::refuseUnknown($quantities, $earlier, $request);

        $gone = new UnitsGoneBack($priced->lines, $quantities);
        foreach ($earlier as $index => $refund) {
            foreach ($refund->lines as $place => $units) {
                $gone->take($units, "earlier[{$index}].lines[{$place}]");
            }
        }
        $goodsBefore = $gone->goods();
        $lines = [];
        foreach ($request->lines as $place => $units) {
            $lines[] = new QuotedLine(
                $units->line, $units->quantity, self::quoted($gone->take($units, "request.lines[{$place}]"), $currency)
            );
        }
        $goods = $gone->goods()->minus($goodsBefore);
        $delivery = self::delivery($priced, $earlier, $request, $gone->goods());

        $hundred = BigInteger::ten()->power($request->feePercent->getScale() + 2);
        $fee = HalfUp::quotient($goods->multipliedBy($request->feePercent->getUnscaledValue()), $hundred)->plus($request->feeFixed->units);
        if ($fee->plus($request->label->units)->isGreaterThan($goods->plus($delivery->gross))) {
            throw RefundRefused::feeExceedsRefund('request');
        }
        $total = $goods->plus($delivery->gross)->plus($request->goodwill->units)->minus($fee)->minus($request->label->units);
        $left = self::sum(array_map(static fn (Payment $payment): BigInteger => $payment->left(), $order->payments));
        if ($total->isZero()) {
            throw RefundRefused::nothingToRefund();
        }
        if ($total->isGreaterThan($left)) {
            throw RefundRefused::overCaptured($money($total)->toDecimal(), $money($left)->toDecimal());
        }

        return new self(
            $lines, self::quoted($delivery, $currency), $money($fee), $request->label, $request->goodwill, $money($total),
            self::payments($order->payments, $money($total), $request->payments), $money($left->minus($total))
        );
    }

    /**
     * @param  array<string, int>  $known
     * @param  list<EarlierRefund>  $earlier
     *
     * @throws RefundRefused `unknown_line`
     */
    private static function refuseUnknown(array $known, array $earlier, RefundRequest $request): void
    {
        $lists = ['request' => $request->lines];
        foreach ($earlier as $index => $refund) {
            $lists["earlier[{$index}]"] = $refund->lines;
        }
        foreach ($lists as $at => $lines) {
            foreach ($lines as $place => $units) {
                if (! isset($known[$units->line])) {
                    throw RefundRefused::unknownLine($units->line, "{$at}.lines[{$place}].id");
                }
            }
        }
    }

    /**
     * @param  list<EarlierRefund>  $earlier
     * @param  BigInteger  $goodsBack  gross of all goods that have gone back with this
     *
     * @throws RefundRefused `shipping_over_remaining`
     */
    private static function delivery(
        PricedOrder $priced, array $earlier, RefundRequest $request, BigInteger $goodsBack
    ): TaxedAmount {
        $delivery = $priced->delivery;
        $before = self::sum(array_map(static fn (EarlierRefund $refund): BigInteger => $refund->delivery->units, $earlier));
        $left = $delivery->gross->minus($before);
        $refuse = static fn (string $at): RefundRefused => RefundRefused::deliveryOverRemaining(
            Money::ofUnits($left->isNegative() ? BigInteger::zero() : $left, $priced->currency)->toDecimal(), $at
        );
        if ($left->isNegative()) {
            throw $refuse('earlier');
        }
        $allGoods = self::sum(array_map(static fn (TaxedAmount $amount): BigInteger => $amount->gross, $priced->lines));
        $gross = match ($request->delivery->kind) {
            'none' => BigInteger::zero(),
            'all' => $left,
            'share' => BigInteger::min(
                $left,
                BigInteger::max(BigInteger::zero(), HalfUp::part($delivery->gross, $goodsBack, $allGoods)->minus($before))
            ),
            default => $request->delivery->amount->units ?? BigInteger::zero(),
        };
        if ($gross->isGreaterThan($left)) {
            throw $refuse('request.shipping');
        }

        return new TaxedAmount($gross, $delivery->taxBetween($before, $before->plus($gross)));
    }

    /**
     * @param  list<Payment>  $payments
     * @param  Money  $total  not above what is left of them
     * @return list<QuotedPayment>
     */
    private static function payments(array $payments, Money $total, PaymentsBack $way): array
    {
        $parts = $way === PaymentsBack::Proportional
            ? self::inProportion($payments, $total)
            : self::inOrder($payments, $total->units);
        $quoted = [];
        foreach ($payments as $index => $payment) {
            if (! $parts[$index]->isZero()) {
                $quoted[] = new QuotedPayment($payment->id, Money::ofUnits($parts[$index], $total->currency));
            }
        }

        return $quoted;
    }

    /**
     * @param  list<Payment>  $payments
     * @return list<BigInteger>
     */
    private static function inProportion(array $payments, Money $total): array
    {
        $left = array_map(static fn (Payment $payment): string => (string) $payment->left(), $payments);

        return array_map(static fn (Money $share): BigInteger => $share->units, Allocation::byWeights($left)->share($total));
    }

    /**
     * @param  list<Payment>  $payments
     * @return list<BigInteger>
     */
    private static function inOrder(array $payments, BigInteger $total): array
    {
        $parts = [];
        foreach ($payments as $payment) {
            $part = BigInteger::min($total, $payment->left());
            $total = $total->minus($part);
            $parts[] = $part;
        }

        return $parts;
    }

    private static function quoted(TaxedAmount $amount, Currency $currency): QuotedAmount
    {
        return new QuotedAmount(
            Money::ofUnits($amount->gross->minus($amount->tax), $currency), Money::ofUnits($amount->tax, $currency),
            Money::ofUnits($amount->gross, $currency)
        );
    }

    /**
     * @param  array<BigInteger>  $amounts
     */
    private static function sum(array $amounts): BigInteger
    {
        return $amounts === [] ? BigInteger::zero() : BigInteger::sum(...array_values($amounts));
    }
}
