<?php

declare(strict_types=1);

namespace App\Orders;

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

/**
 * An amount as people read it: with its sign, then all digits of the currency.
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

        return ($units < 0 ? '−' : '').(self::SIGNS[$currency] ?? "{$currency} ").$amount;
    }
}
