<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;

/**
 * Rounding of amounts that are not below zero: a half goes up.
 *
 * @internal
 */
final class HalfUp
{
    /**
     * @param  BigInteger  $divisor  above zero
     */
    public static function quotient(BigInteger $amount, BigInteger $divisor): BigInteger
    {
        return $amount->multipliedBy(2)->plus($divisor)->quotient($divisor->multipliedBy(2));
    }

    /**
     * So much of an amount as so many are of all; nothing where there are none.
     */
    public static function part(BigInteger $amount, BigInteger $some, BigInteger $all): BigInteger
    {
        return $all->isZero() ? BigInteger::zero() : self::quotient($amount->multipliedBy($some), $all);
    }

    /**
     * The tax on top of an amount without it.
     */
    public static function taxOn(BigInteger $net, BigDecimal $rate): BigInteger
    {
        return self::quotient($net->multipliedBy($rate->getUnscaledValue()), BigInteger::ten()->power($rate->getScale()));
    }

    /**
     * The tax that lies in an amount with it.
     */
    public static function taxIn(BigInteger $gross, BigDecimal $rate): BigInteger
    {
        $one = BigInteger::ten()->power($rate->getScale());

        return self::quotient($gross->multipliedBy($rate->getUnscaledValue()), $one->plus($rate->getUnscaledValue()));
    }
}
