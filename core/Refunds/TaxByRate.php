<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Money;

/**
 * What goes back, by rate of tax, as a credit note has it: goods and delivery as they were quoted, with what is kept (fees, a label) or
 * added (goodwill) spread over the rates by their gross. All rates together are exactly what goes back.
 */
final readonly class TaxByRate
{
    /**
     * @param  BigDecimal  $rate  such as 0.25, without zeros at its end
     */
    private function __construct(public BigDecimal $rate, public Money $net, public Money $tax, public Money $gross) {}

    /**
     * @param  list<array{BigDecimal, Money, Money}>  $parts  of what goes back: rate, tax and gross, none below zero
     * @param  Money  $adjustment  goodwill less fees and label; below zero, not more than all parts together
     * @param  list<array{BigDecimal, Money}>  $bought  all of the order: rate and gross. By these an adjustment is spread where nothing of
     *   the goods goes back
     * @return list<self> the highest rate first; without those to which nothing belongs
     */
    public static function of(array $parts, Money $adjustment, array $bought): array
    {
        $zero = BigInteger::zero();
        $rates = $tax = $gross = $weights = [];
        foreach ($parts as [$rate, $taxOf, $grossOf]) {
            $key = self::key($rate);
            $rates[$key] ??= BigDecimal::of($key);
            $tax[$key] = ($tax[$key] ?? $zero)->plus($taxOf->units);
            $gross[$key] = ($gross[$key] ?? $zero)->plus($grossOf->units);
        }
        $weights = array_filter($gross, static fn (BigInteger $units): bool => ! $units->isZero());
        foreach ($weights === [] ? $bought : [] as [$rate, $grossOf]) {
            $key = self::key($rate);
            $rates[$key] ??= BigDecimal::of($key);
            $weights[$key] = ($weights[$key] ?? $zero)->plus($grossOf->units);
        }
        $weights = array_filter($weights, static fn (BigInteger $units): bool => ! $units->isZero());
        foreach ($adjustment->units->isZero() || $weights === [] ? [] : self::shares($adjustment, $weights) as $key => $share) {
            $before = [$gross[$key] ?? $zero, $tax[$key] ?? $zero];
            // What is kept takes its part of the tax that would go back; what is added has the tax of its rate in it.
            $tax[$key] = $share->isNegative()
                ? $before[1]->minus(HalfUp::part($before[1], $share->abs(), $before[0]))
                : $before[1]->plus(HalfUp::taxIn($share, $rates[$key]));
            $gross[$key] = $before[0]->plus($share);
        }
        uasort($rates, static fn (BigDecimal $a, BigDecimal $b): int => $b->compareTo($a));
        $money = static fn (BigInteger $units): Money => Money::ofUnits($units, $adjustment->currency);
        $all = [];
        foreach ($rates as $key => $rate) {
            [$of, $taxOf] = [$gross[$key] ?? $zero, $tax[$key] ?? $zero];
            $of->isZero() && $taxOf->isZero() ?: $all[] = new self($rate, $money($of->minus($taxOf)), $money($taxOf), $money($of));
        }

        return $all;
    }

    /**
     * @param  array<string, BigInteger>  $weights
     * @return array<string, BigInteger>
     */
    private static function shares(Money $adjustment, array $weights): array
    {
        $shares = Allocation::byWeights(array_map(strval(...), array_values($weights)))->share($adjustment);

        return array_combine(array_keys($weights), array_map(static fn (Money $share): BigInteger => $share->units, $shares));
    }

    /**
     * The same rate is one, however many zeros it is written with; a text, so that no rate becomes a number of an array.
     */
    private static function key(BigDecimal $rate): string
    {
        return (string) $rate->stripTrailingZeros()->toScale(max(1, $rate->stripTrailingZeros()->getScale()));
    }
}
