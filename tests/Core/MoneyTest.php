<?php

declare(strict_types=1);

use Brick\Math\BigInteger;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Money\MoneyRefused;

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

it('gives the cent left over to whose share was cut the most, wherever they stand', function (): void {
    $shares = Allocation::byWeights(['1', '2'])->share(Money::of('1.00', Currency::of('EUR')));

    expect(array_map(static fn (Money $share): string => $share->toDecimal(), $shares))->toBe(['0.33', '0.67']);
});

it('shares a negative amount like the positive one', function (): void {
    $allocation = Allocation::byWeights(['3', '3', '1']);
    $euro = Currency::of('EUR');
    $mirror = array_map(
        static fn (Money $share): string => (string) $share->units->negated(), $allocation->share(Money::of('-10.01', $euro))
    );
    expect($mirror)->toBe(
        array_map(static fn (Money $share): string => (string) $share->units, $allocation->share(Money::of('10.01', $euro)))
    );
});

it('holds amounts of any size and writes them with the digits of the currency', function (
    string $code, string $amount, string $written
): void {
    expect(Money::of($amount, Currency::of($code))->toDecimal())->toBe($written);
})->with([
    ['EUR', '-0', '0.00'],
    ['EUR', '7', '7.00'],
    ['JPY', '0012', '12'],
    ['KWD', '-1.5', '-1.500'],
    ['EUR', '123456789012345678901234567890.1', '123456789012345678901234567890.10'],
]);

it('refuses what is no amount of its currency, and names the place', function (string $amount, string $code, string $class): void {
    expect(static fn () => Money::of($amount, Currency::of($code)))->toThrow($class);
})->with([
    ['1.234', 'EUR', MoneyRefused::class], ['1.0', 'JPY', MoneyRefused::class], [
        '1.2345', 'KWD', MoneyRefused::class,
    ], ['0.000', 'EUR', MoneyRefused::class],
    [
        '1,50', 'EUR', BadInput::class,
    ], ['+1', 'EUR', BadInput::class], ['1.', 'EUR', BadInput::class], ['.5', 'EUR', BadInput::class], ['', 'EUR', BadInput::class],
    [' 1', 'EUR', BadInput::class], [
        "1\n", 'EUR', BadInput::class,
    ], ['1e3', 'EUR', BadInput::class], ['--1', 'EUR', BadInput::class], ['٣', 'EUR', BadInput::class],
    ['1', 'eur', BadInput::class], ['1', 'EURO', BadInput::class], ['1', '', BadInput::class], ['1', "EUR\n", BadInput::class],
]);

it('refuses weights by which nothing can be shared', function (array $weights, string $class): void {
    expect(static fn () => Allocation::byWeights($weights))->toThrow($class);
})->with([
    [[], MoneyRefused::class], [['0', '0.00'], MoneyRefused::class], [
        ['1', '-0.01'], MoneyRefused::class,
    ], [['1', 'two'], BadInput::class], [['1', ''], BadInput::class],
]);

it('gives what is left over to the largest parts, and of even ones to the first', function (
    string $amount, array $weights, array $shares
): void {
    $shared = Allocation::byWeights($weights)->share(Money::of($amount, Currency::of('EUR')));
    expect(array_map(static fn (Money $share): string => $share->toDecimal(), $shared))->toBe($shares);
})->with([
    ['0.01', ['1', '1', '1'], ['0.01', '0.00', '0.00']],
    ['0.02', ['1', '1', '1'], ['0.01', '0.01', '0.00']],
    ['1.00', ['1', '1', '1'], ['0.34', '0.33', '0.33']],
    ['0.05', ['3', '7'], ['0.02', '0.03']],
    ['0.10', ['0', '1'], ['0.00', '0.10']],
    ['-1.00', ['1', '1', '1'], ['-0.34', '-0.33', '-0.33']],
    ['0.00', ['1', '2'], ['0.00', '0.00']],
    ['10.00', ['0.1', '0.2', '0.7'], ['1.00', '2.00', '7.00']],
]);

it('shares alike whatever the size of the weights, where their proportion is the same', function (): void {
    mt_srand(8);
    for ($round = 0; $round < 200; $round++) {
        $weights = array_map(static fn (): int => mt_rand(0, 20), range(1, mt_rand(1, 6)));
        $weights[] = 1;
        $money = Money::ofUnits(BigInteger::of(mt_rand(0, 100_000)), Currency::of('EUR'));
        $by = static fn (array $these): array => array_map(
            static fn (Money $share): string => (string) $share->units, Allocation::byWeights($these)->share($money)
        );
        $factor = mt_rand(2, 9);
        expect(
            $by(array_map(static fn (int $weight): string => (string) ($weight * $factor), $weights))
        )->toBe($by(array_map(strval(...), $weights)))
            ->and($by(array_map(static fn (int $weight): string => '0.'.sprintf('%04d', $weight), $weights)))
            ->toBe($by(array_map(strval(...), $weights)));
    }
});
