<?php

declare(strict_types=1);

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\TaxByRate;

function euros(int $units): Money
{
    return Money::ofUnits(BigInteger::of($units), Currency::of('EUR'));
}

/**
 * @param  list<array{string, int, int}>  $parts
 * @param  list<array{string, int}>  $bought
 * @return list<array{string, int, int, int}>
 */
function ratesOf(array $parts, int $adjustment, array $bought = []): array
{
    return array_map(
        static fn (TaxByRate $one): array => [(string) $one->rate, $one->net->units->toInt(), $one->tax->units->toInt(),
            $one->gross->units->toInt()],
        TaxByRate::of(
            array_map(static fn (array $part): array => [BigDecimal::of($part[0]), euros($part[1]), euros($part[2])], $parts),
            euros($adjustment),
            array_map(static fn (array $one): array => [BigDecimal::of($one[0]), euros($one[1])], $bought)
        )
    );
}

it('puts together what has one rate, however it is written, the highest first', function (): void {
    expect(ratesOf([['0.05', 5, 105], ['0.250', 20, 100], ['0.25', 4, 20], ['0', 0, 300]], 0))->toBe([
        ['0.25', 96, 24, 120], ['0.05', 100, 5, 105], ['0.0', 300, 0, 300],
    ]);
});

it('spreads what is kept by the gross, and takes its part of the tax', function (): void {
    // 12.00 are kept of 120.00: 10.00 of the one, 2.00 of the other.
    expect(ratesOf([['0.25', 2000, 10000], ['0', 0, 2000]], -1200))->toBe([['0.25', 7200, 1800, 9000], ['0.0', 1800, 0, 1800]])
        // All of it is kept: no tax is left over.
        ->and(ratesOf([['0.25', 1, 10]], -10))->toBe([]);
});

it('has the tax in what is added, also where nothing else goes back', function (): void {
    expect(ratesOf([['0.25', 2000, 10000]], 500))->toBe([['0.25', 8400, 2100, 10500]])
        ->and(ratesOf([], 500, [['0.25', 9000], ['0', 1000]]))->toBe([['0.25', 360, 90, 450], ['0.0', 50, 0, 50]])
        ->and(ratesOf([['0.25', 0, 0]], 500, [['0.05', 100]]))->toBe([['0.05', 476, 24, 500]]);
});

it('is always exactly what goes back, with no tax below zero', function (): void {
    mt_srand(23);
    for ($try = 0; $try < 500; $try++) {
        $parts = [];
        for ($part = mt_rand(1, 5); $part > 0; $part--) {
            $rate = ['0.25', '0.19', '0.055', '0'][mt_rand(0, 3)];
            $gross = mt_rand(0, 5000);
            $parts[] = [$rate, (int) round($gross - $gross / (1 + (float) $rate)), $gross];
        }
        $all = array_sum(array_column($parts, 2));
        $adjustment = mt_rand(-$all, 2000);
        $rates = ratesOf($parts, $adjustment, [['0.25', 100]]);
        expect(array_sum(array_column($rates, 3)))->toBe($all + $adjustment);
        foreach ($rates as [, $net, $tax, $gross]) {
            expect($net + $tax)->toBe($gross)->and($tax)->toBeGreaterThanOrEqual(0)->and($net)->toBeGreaterThanOrEqual(0);
        }
    }
});
