<?php

declare(strict_types=1);

use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

it('gives out exactly what there is, nobody more than a unit off', function (): void {
    mt_srand(20261123);
    for ($round = 0; $round < 400; $round++) {
        $currency = Currency::of(['EUR', 'JPY', 'KWD'][$round % 3]);
        $money = Money::ofUnits(BigInteger::of(mt_rand(-1_000_000, 1_000_000)), $currency);
        $weights = array_map(static fn (): string => mt_rand(0, 50).'.'.mt_rand(0, 99), range(1, mt_rand(1, 12)));
        $weights[] = '1';
        $shares = Allocation::byWeights($weights)->share($money);
        $sum = BigInteger::sum(...array_map(static fn (Money $share): BigInteger => $share->units, $shares));
        expect((string) $sum)->toBe((string) $money->units);
        $total = array_sum(array_map('floatval', $weights));
        foreach ($shares as $index => $share) {
            $exact = $money->units->toInt() * (float) $weights[$index] / $total;
            expect(abs($share->units->toInt() - $exact))->toBeLessThanOrEqual(1.0001);
        }
    }
});

it('shares a negative amount like the positive one', function (): void {
    $allocation = Allocation::byWeights(['3', '3', '1']);
    $euro = Currency::of('EUR');
    $mirror = array_map(static fn (Money $share): string => (string) $share->units->negated(), $allocation->share(Money::of('-10.01', $euro)));
    expect($mirror)->toBe(array_map(static fn (Money $share): string => (string) $share->units, $allocation->share(Money::of('10.01', $euro))));
});

it('holds amounts of any size and writes them with the digits of the currency', function (string $code, string $amount, string $written): void {
    expect(Money::of($amount, Currency::of($code))->toDecimal())->toBe($written);
})->with([
    ['EUR', '-0', '0.00'],
    ['EUR', '7', '7.00'],
    ['JPY', '0012', '12'],
    ['KWD', '-1.5', '-1.500'],
    ['EUR', '123456789012345678901234567890.1', '123456789012345678901234567890.10'],
]);
