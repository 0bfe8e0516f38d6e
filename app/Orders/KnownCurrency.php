<?php

declare(strict_types=1);

namespace App\Orders;

use ResourceBundle;

/**
 * Whether a code is that of a currency, by ISO 4217 as the ICU library lists it.
 */
final class KnownCurrency
{
    public static function is(string $code): bool
    {
        $bundle = ResourceBundle::create('en', 'ICUDATA-curr');
        $currencies = $bundle?->get('Currencies');

        return preg_match('/^[A-Z]{3}$/D', $code) === 1 && $currencies instanceof ResourceBundle && $currencies->get($code, false) !== null;
    }
}
