<?php

declare(strict_types=1);

namespace App\Orders;

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

/**
 * An amount as the team reads it: with its sign, thousands apart, then all digits of the currency. Customers read theirs as their
 * language writes it.
 */
final class ShownMoney
{
    private const SIGNS = ['EUR' => '€', 'GBP' => '£', 'JPY' => '¥', 'USD' => '$'];

    /**
     * @param  int  $units  smallest units of the currency
     * @param  string  $currency  ISO 4217
     */
    public static function of(int $units, string $currency): string
    {
        $amount = Money::ofUnits(BigInteger::of(abs($units)), Currency::of($currency))->toDecimal();

        [$whole, $part] = [...explode('.', $amount, 2), null];
        $grouped = preg_replace('/\B(?=(?:\d{3})+$)/', ',', $whole).($part === null ? '' : ".{$part}");

        return ($units < 0 ? '−' : '').(self::SIGNS[$currency] ?? "{$currency} ").$grouped;
    }
}
