<?php

declare(strict_types=1);

namespace App\Orders;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;

/**
 * A rate of tax as people write it.
 */
final class TaxPercent
{
    /**
     * @param  string  $rate  a share as a decimal, such as 0.255
     * @return string in percent without the sign, such as 25.5; empty where it is no number
     */
    public static function of(string $rate): string
    {
        try {
            $percent = BigDecimal::of($rate)->multipliedBy(100)->stripTrailingZeros();
        } catch (MathException) {
            return '';
        }

        return (string) $percent->toScale(max(0, $percent->getScale()));
    }
}
