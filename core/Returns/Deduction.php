<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Money;

/**
 * What an inspection takes off the worth of a unit that came back: a fee in the sense of `refund.quote`.
 */
final class Deduction
{
    /**
     * The unit's gross × what its grade takes off, a half up.
     *
     * @param  Money  $unit  its gross, not below zero
     * @param  BigDecimal  $share  percent of the price that is given back, 0 to 100, such as 85
     */
    public static function of(Money $unit, BigDecimal $share): Money
    {
        $off = BigDecimal::of(100)->minus($share);
        $divisor = BigInteger::ten()->power($off->getScale() + 2);
        $taken = $unit->units->multipliedBy($off->getUnscaledValue());

        return Money::ofUnits($taken->multipliedBy(2)->plus($divisor)->quotient($divisor->multipliedBy(2)), $unit->currency);
    }
}
