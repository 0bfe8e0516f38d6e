<?php

declare(strict_types=1);

namespace Cairnfield\Core\Money;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Input\BadInput;

/**
 * Shares an amount by weights with the largest-remainder method (Hamilton's), so that the shares
 * add up to exactly the amount.
 *
 * Each share is rounded towards zero; the smallest units left over go one each to the largest
 * fractional parts, ties to the lower index. A negative amount is shared like the positive one,
 * with the signs turned.
 */
final readonly class Allocation
{
    /**
     * @param  non-empty-list<BigInteger>  $weights  whole numbers in the proportion of the weights
     */
    private function __construct(private array $weights, private BigInteger $total) {}

    /**
     * @param  list<string>  $weights  decimal strings of any number of digits, none negative, not all zero
     *
     * @throws BadInput when a weight is no decimal string
     * @throws MoneyRefused `negative_weight` or `no_weights`
     */
    public static function byWeights(array $weights, string $at = 'weights'): self
    {
        $decimals = [];
        foreach ($weights as $index => $weight) {
            $decimals[] = Decimal::read($weight, "{$at}[{$index}]");
        }
        foreach ($decimals as $index => $decimal) {
            if ($decimal->isNegative()) {
                throw MoneyRefused::negativeWeight($weights[$index], "{$at}[{$index}]");
            }
        }
        if ($decimals === []) {
            throw MoneyRefused::noWeights($at);
        }
        // One common scale turns the weights into whole numbers without changing their proportion.
        $scale = max(array_map(static fn (BigDecimal $decimal): int => $decimal->getScale(), $decimals));
        $whole = array_map(
            static fn (BigDecimal $decimal): BigInteger => $decimal->withPointMovedRight($scale)->toBigInteger(),
            $decimals,
        );
        $total = BigInteger::sum(...$whole);
        if ($total->isZero()) {
            throw MoneyRefused::noWeights($at);
        }

        return new self($whole, $total);
    }

    /**
     * @return list<Money> one share for each weight, in their order
     */
    public function share(Money $money): array
    {
        $amount = $money->units->abs();
        $shares = [];
        $remainders = [];
        $left = $amount;
        foreach ($this->weights as $index => $weight) {
            [$share, $remainder] = $amount->multipliedBy($weight)->quotientAndRemainder($this->total);
            $shares[$index] = $share;
            $remainders[$index] = $remainder;
            $left = $left->minus($share);
        }
        // PHP's sort is stable, so equal remainders keep the lower index first.
        uasort($remainders, static fn (BigInteger $a, BigInteger $b): int => $b->compareTo($a));
        foreach (array_slice(array_keys($remainders), 0, $left->toInt()) as $index) {
            $shares[$index] = $shares[$index]->plus(1);
        }

        return array_map(
            static fn (BigInteger $share): Money => Money::ofUnits(
                $money->units->isNegative() ? $share->negated() : $share,
                $money->currency,
            ),
            array_values($shares),
        );
    }
}
