<?php

declare(strict_types=1);

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\OrderLine;
use Cairnfield\Core\Refunds\PaidOrder;
use Cairnfield\Core\Refunds\PricedOrder;
use Cairnfield\Core\Returns\Deduction;

it('takes off what a grade takes off, a half up', function (int $unit, string $share, int $off): void {
    $euro = Currency::of('EUR');
    expect(Deduction::of(Money::ofUnits(BigInteger::of($unit), $euro), BigDecimal::of($share))->units->toInt())->toBe($off);
})->with([
    'opened' => [11900, '85', 1785], 'as new' => [11900, '100', 0], 'missing' => [11900, '0', 11900], 'a half' => [1, '50', 1],
    'below a half' => [3, '85', 0], 'exactly a half of a cent' => [10, '95', 1], 'with decimals' => [10000, '87.5', 1250],
    'a third of a percent' => [333, '66.67', 111], 'nothing' => [0, '40', 0],
]);

it('shares a line among its units such that they add up to it', function (): void {
    $euro = Currency::of('EUR');
    $money = static fn (int $units): Money => Money::ofUnits(BigInteger::of($units), $euro);
    mt_srand(17);
    for ($try = 0; $try < 300; $try++) {
        [$quantity, $price] = [mt_rand(1, 60), mt_rand(1, 5000)];
        $order = new PaidOrder(
            $euro, $try % 2 === 0, [new OrderLine('a', $quantity, $money($price), $money(mt_rand(0, $price)), BigDecimal::of('0.25'))],
            $money(mt_rand(0, 1) === 1 ? 0 : mt_rand(0, max(0, $quantity * $price - $price))), $money(0), BigDecimal::zero(), []
        );
        $priced = PricedOrder::of($order);
        $units = array_map(static fn (int $place): int => $priced->unit('a', $place)->units->toInt(), range(0, $quantity - 1));
        expect(array_sum($units))->toBe($priced->lines['a']->gross->toInt())->and(max($units) - min($units))->toBeLessThanOrEqual(1);
    }
});
