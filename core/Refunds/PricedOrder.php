<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

/**
 * What each line of an order and its delivery come to: after the line's own discount and its share of the order's, with the tax.
 */
final readonly class PricedOrder
{
    /**
     * @param  array<string, TaxedAmount>  $lines  by their ids
     * @param  array<string, int>  $quantities  units, by the ids of the lines
     */
    private function __construct(
        public Currency $currency, public array $lines, public TaxedAmount $delivery, private array $quantities
    ) {}

    /**
     * @throws RefundRefused `negative_amount`
     */
    public static function of(PaidOrder $order): self
    {
        $bases = $amounts = $quantities = [];
        foreach ($order->lines as $index => $line) {
            $bases[$index] = $line->unitPrice->units->multipliedBy($line->quantity)->minus($line->discount->units);
            if ($bases[$index]->isNegative()) {
                throw RefundRefused::discountAbovePrice($line->id, "order.lines[{$index}].discount");
            }
        }
        if (! $order->discount->units->isZero()) {
            if ($bases === [] || $order->discount->units->isGreaterThan(BigInteger::sum(...$bases))) {
                throw RefundRefused::orderDiscountAbovePrices('order.order_discount');
            }
            $shares = Allocation::byWeights(array_map(strval(...), array_values($bases)))->share($order->discount);
            foreach ($shares as $index => $share) {
                $bases[$index] = $bases[$index]->minus($share->units);
            }
        }
        foreach ($order->lines as $index => $line) {
            $amounts[$line->id] = TaxedAmount::ofPrice($bases[$index], $line->taxRate, $order->pricesIncludeTax);
            $quantities[$line->id] = $line->quantity;
        }

        return new self(
            $order->currency, $amounts, TaxedAmount::ofPrice($order->delivery->units, $order->deliveryTaxRate, $order->pricesIncludeTax),
            $quantities
        );
    }

    /**
     * What one unit of a line is worth, such that all units of it add up to what the line comes to.
     *
     * @param  string  $line  its id
     * @param  int  $place  0 for the unit that goes back first; below the line's quantity
     */
    public function unit(string $line, int $place): Money
    {
        $gross = $this->lines[$line]->gross;
        $all = BigInteger::of($this->quantities[$line]);

        return Money::ofUnits(
            HalfUp::part($gross, BigInteger::of($place + 1), $all)->minus(HalfUp::part($gross, BigInteger::of($place), $all)),
            $this->currency
        );
    }

    /**
     * How many units of a line so much money gives back whole.
     *
     * @param  string  $line  its id
     * @param  Money  $gross  not below zero
     */
    public function unitsFor(string $line, Money $gross): int
    {
        $all = BigInteger::of($this->quantities[$line]);
        [$units, $tooMany] = [0, $gross->units->isZero() ? 1 : $this->quantities[$line] + 1];
        while ($tooMany - $units > 1) {
            $middle = intdiv($units + $tooMany, 2);
            HalfUp::part($this->lines[$line]->gross, BigInteger::of($middle), $all)->isGreaterThan($gross->units)
                ? $tooMany = $middle
                : $units = $middle;
        }

        return $units;
    }
}
