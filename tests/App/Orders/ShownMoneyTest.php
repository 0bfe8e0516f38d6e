<?php

declare(strict_types=1);

use App\Orders\ShownMoney;

it('shows amounts with thousands apart, and all digits of the currency', function (int $units, string $currency, string $shown): void {
    expect(ShownMoney::of($units, $currency))->toBe($shown);
})->with([
    [0, 'EUR', '€0.00'], [99999, 'EUR', '€999.99'], [317520, 'EUR', '€3,175.20'], [123456789012, 'GBP', '£1,234,567,890.12'],
    [-100000, 'DKK', '−DKK 1,000.00'], [1250, 'JPY', '¥1,250'], [1234567, 'KWD', 'KWD 1,234.567'],
]);
