<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigInteger;

/**
 * How much of each line has gone back, unit after unit: each entry goes on where the one before it ended.
 *
 * @internal
 */
final class UnitsGoneBack
{
    /** @var array<string, int> units by line */
    private array $units = [];

    /** Gross of all that has gone back. */
    private BigInteger $goods;

    /**
     * @param  array<string, TaxedAmount>  $amounts  what each line comes to, by its id
     * @param  array<string, int>  $quantities  units that each line has
     */
    public function __construct(private readonly array $amounts, private readonly array $quantities)
    {
        $this->goods = BigInteger::zero();
    }

    /**
     * @return TaxedAmount what goes back for these units
     *
     * @throws RefundRefused `quantity_over_remaining`
     */
    public function take(LineUnits $units, string $at): TaxedAmount
    {
        $before = $this->units[$units->line] ?? 0;
        $all = $this->quantities[$units->line];
        if ($units->quantity < 1 || $units->quantity > $all - $before) {
            throw RefundRefused::quantityOverRemaining($units->line, $units->quantity, $all - $before, "{$at}.quantity");
        }
        $amount = $this->amounts[$units->line];
        $after = $before + $units->quantity;
        $grossBefore = HalfUp::part($amount->gross, BigInteger::of($before), BigInteger::of($all));
        $grossAfter = HalfUp::part($amount->gross, BigInteger::of($after), BigInteger::of($all));
        $this->units[$units->line] = $after;
        $this->goods = $this->goods->plus($grossAfter)->minus($grossBefore);

        return new TaxedAmount($grossAfter->minus($grossBefore), $amount->taxBetween($grossBefore, $grossAfter));
    }

    public function goods(): BigInteger
    {
        return $this->goods;
    }
}
