<?php

declare(strict_types=1);

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Reckon\QuoteRefund;
use Cairnfield\Core\Reckon\Reckoner;
use Cairnfield\Core\Refunds\DeliveryBack;
use Cairnfield\Core\Refunds\EarlierRefund;
use Cairnfield\Core\Refunds\LineUnits;
use Cairnfield\Core\Refunds\OrderLine;
use Cairnfield\Core\Refunds\PaidOrder;
use Cairnfield\Core\Refunds\Payment;
use Cairnfield\Core\Refunds\PaymentsBack;
use Cairnfield\Core\Refunds\PricedOrder;
use Cairnfield\Core\Refunds\QuotedLine;
use Cairnfield\Core\Refunds\RefundQuote;
use Cairnfield\Core\Refunds\RefundRefused;
use Cairnfield\Core\Refunds\RefundRequest;

/**
 * An order by chance, and paid to the last unit.
 */
function anyOrder(int $seed): PaidOrder
{
    mt_srand($seed);
    $currency = Currency::of(['EUR', 'JPY', 'KWD'][$seed % 3]);
    $units = static fn (int $most): Money => Money::ofUnits(BigInteger::of(mt_rand(0, $most)), $currency);
    $lines = [];
    $sum = 0;
    foreach (range(1, mt_rand(1, 5)) as $number) {
        [$quantity, $price] = [mt_rand(1, 7), mt_rand(1, 9_999)];
        $discount = mt_rand(0, 1) === 1 ? mt_rand(0, $quantity * $price) : 0;
        $sum += $quantity * $price - $discount;
        $lines[] = new OrderLine(
            "line{$number}", $quantity, Money::ofUnits(BigInteger::of($price), $currency),
            Money::ofUnits(BigInteger::of($discount), $currency), BigDecimal::of(['0', '0.055', '0.23', '0.0875'][mt_rand(0, 3)])
        );
    }
    $order = new PaidOrder(
        $currency, mt_rand(0, 1) === 1, $lines, $units(mt_rand(0, 1) * $sum), $units(999), BigDecimal::of(['0', '0.23'][mt_rand(0, 1)]), []
    );
    // What it comes to is what all of it gives back: asked of the calculation with a payment that is large enough.
    $huge = paidWith($order, BigInteger::of(10)->power(12));
    $all = array_map(static fn (OrderLine $line): LineUnits => new LineUnits($line->id, $line->quantity), $lines);
    try {
        $total = RefundQuote::of($huge, [], refundRequest($currency, $all, DeliveryBack::all()))->total->units;
    } catch (RefundRefused) {
        $total = BigInteger::zero();
    }
    $gift = BigInteger::of(mt_rand(0, $total->toInt()));
    $payment = static fn (string $id, BigInteger $captured): Payment => new Payment(
        $id, Money::ofUnits($captured, $currency), Money::of('0', $currency)
    );

    return new PaidOrder(
        $currency, $order->pricesIncludeTax, $lines, $order->discount, $order->delivery, $order->deliveryTaxRate,
        [$payment('gift', $gift), $payment('card', $total->minus($gift))]
    );
}

function paidWith(PaidOrder $order, BigInteger $captured): PaidOrder
{
    return new PaidOrder(
        $order->currency, $order->pricesIncludeTax, $order->lines, $order->discount, $order->delivery, $order->deliveryTaxRate,
        [new Payment('card', Money::ofUnits($captured, $order->currency), Money::of('0', $order->currency))]
    );
}

/**
 * @param  list<LineUnits>  $lines
 */
function refundRequest(
    Currency $currency, array $lines, DeliveryBack $delivery, PaymentsBack $payments = PaymentsBack::InOrder, string $goodwill = '0'
): RefundRequest {
    $none = Money::of('0', $currency);

    return new RefundRequest($lines, $delivery, BigDecimal::zero(), $none, $none, Money::of($goodwill, $currency), $payments);
}

/**
 * The same order after a refund.
 */
function after(PaidOrder $order, RefundQuote $quote): PaidOrder
{
    $back = [];
    foreach ($quote->payments as $payment) {
        $back[$payment->payment] = $payment->amount->units;
    }

    return new PaidOrder(
        $order->currency, $order->pricesIncludeTax, $order->lines, $order->discount, $order->delivery, $order->deliveryTaxRate,
        array_map(static fn (Payment $payment): Payment => new Payment(
            $payment->id, $payment->captured,
            Money::ofUnits($payment->refunded->units->plus($back[$payment->id] ?? BigInteger::zero()), $order->currency)
        ), $order->payments)
    );
}

it('gives back in any steps exactly what was paid, with its tax, and never more than is left of a payment', function (): void {
    for ($seed = 0; $seed < 300; $seed++) {
        $order = anyOrder($seed);
        $currency = $order->currency;
        $all = array_map(static fn (OrderLine $line): LineUnits => new LineUnits($line->id, $line->quantity), $order->lines);
        $left = [];
        foreach ($order->lines as $line) {
            $left = [...$left, ...array_fill(0, $line->quantity, $line->id)];
        }
        shuffle($left);
        $paid = BigInteger::sum(...array_map(static fn (Payment $payment): BigInteger => $payment->captured->units, $order->payments));
        $given = $tax = $deliveryTax = BigInteger::zero();
        [$now, $earlier] = [$order, []];
        while ($left !== []) {
            $some = array_splice($left, 0, mt_rand(1, 3));
            $lines = array_map(static fn (string $id): LineUnits => new LineUnits($id, 1), $some);
            $delivery = $left === [] ? DeliveryBack::all() : [DeliveryBack::none(), DeliveryBack::share()][mt_rand(0, 1)];
            try {
                $quote = RefundQuote::of($now, $earlier, refundRequest(
                    $currency, $lines, $delivery, [PaymentsBack::InOrder, PaymentsBack::Proportional][mt_rand(0, 1)]
                ));
            } catch (RefundRefused $refused) {
                // Units that came to nothing have gone back all the same.
                expect($refused->errorCode())->toBe('nothing_to_refund');
                $earlier[] = new EarlierRefund($lines, Money::of('0', $currency));

                continue;
            }
            foreach ($quote->payments as $payment) {
                expect($payment->amount->units->isPositive())->toBeTrue();
            }
            expect((string) BigInteger::sum(...array_map(static fn ($one): BigInteger => $one->amount->units, $quote->payments)))
                ->toBe((string) $quote->total->units);
            foreach ([...array_map(static fn (QuotedLine $line) => $line->amount, $quote->lines), $quote->delivery] as $amount) {
                expect($amount->net->units->isNegative())->toBeFalse()
                    ->and((string) $amount->net->units->plus($amount->tax->units))->toBe((string) $amount->gross->units);
            }
            $given = $given->plus($quote->total->units);
            $tax = $tax->plus(BigInteger::sum(...array_map(static fn (QuotedLine $line) => $line->amount->tax->units, $quote->lines)));
            $deliveryTax = $deliveryTax->plus($quote->delivery->tax->units);
            $now = after($now, $quote);
            foreach ($now->payments as $payment) {
                expect($payment->left()->isNegative())->toBeFalse();
            }
            $earlier[] = new EarlierRefund($lines, $quote->delivery->gross);
        }
        expect((string) $given)->toBe((string) $paid, "seed {$seed}");
        if ($paid->isPositive()) {
            $whole = RefundQuote::of($order, [], refundRequest($currency, $all, DeliveryBack::all()));
            expect((string) $tax)->toBe((string) BigInteger::sum(
                ...array_map(static fn (QuotedLine $line): BigInteger => $line->amount->tax->units, $whole->lines)
            ))->and((string) $deliveryTax)->toBe((string) $whole->delivery->tax->units);
        }
        // Nothing more goes back, whatever is asked.
        expect(fn () => RefundQuote::of($now, $earlier, refundRequest($currency, [], DeliveryBack::none(), goodwill: '1')))
            ->toThrow(RefundRefused::class, 'left');
    }
});

/**
 * @param  array<string, mixed>  $order
 * @param  array<string, mixed>  $request
 * @param  list<array<string, mixed>>  $earlier
 * @return array<string, mixed>
 */
function quoted(array $order, array $request, array $earlier = []): array
{
    $whole = [
        'currency' => 'EUR', 'prices_include_tax' => true, 'shipping' => ['amount' => '4.90', 'tax_rate' => '0.23'],
        'lines' => [['id' => 'a', 'quantity' => 3, 'unit_price' => '10.00', 'tax_rate' => '0.23']],
        'payments' => [['id' => 'card', 'captured' => '34.90']], ...$order,
    ];

    return Reckoner::answer(new QuoteRefund, (string) json_encode([
        'order' => $whole, 'earlier' => $earlier, 'request' => $request === [] ? new stdClass : $request,
    ]));
}

it('refuses with the first thing that is wrong, in the order of its steps', function (array $order, array $request, string $code): void {
    expect(quoted($order, $request)['error']['code'] ?? null)->toBe($code);
})->with([
    'unreadable before imprecise' => [['order_discount' => '0.001'], ['label' => 'much'], 'bad_input'],
    'imprecise before negative' => [['order_discount' => '-1'], ['label' => '0.001'], 'currency_precision'],
    'decimals of zero, too' => [['order_discount' => '0.000'], [], 'currency_precision'],
    'a negative rate' => [[], ['fee_percent' => '-0.1'], 'negative_amount'],
    'negative before an unknown line' => [[], ['label' => '-1', 'lines' => [['id' => 'z', 'quantity' => 1]]], 'negative_amount'],
    'a discount above the line' => [
        ['lines' => [['id' => 'a', 'quantity' => 1, 'unit_price' => '1.00', 'discount' => '1.01']]], [], 'negative_amount',
    ],
    'an order discount above all' => [['order_discount' => '30.01'], [], 'negative_amount'],
    'an unknown line before too many of a known one' => [
        [], ['lines' => [['id' => 'a', 'quantity' => 9], ['id' => 'z', 'quantity' => 1]]], 'unknown_line',
    ],
    'none of a line' => [[], ['lines' => [['id' => 'a', 'quantity' => 0]]], 'quantity_over_remaining'],
    'a line twice, one too many' => [
        [], ['lines' => [['id' => 'a', 'quantity' => 2], ['id' => 'a', 'quantity' => 2]]], 'quantity_over_remaining',
    ],
    'too many units before too much delivery' => [
        [], ['lines' => [['id' => 'a', 'quantity' => 4]], 'shipping' => '9.00'], 'quantity_over_remaining',
    ],
    'too much delivery' => [[], ['shipping' => '4.91'], 'shipping_over_remaining'],
    'a fee on goodwill alone' => [[], ['goodwill' => '5.00', 'fee_fixed' => '0.01'], 'fee_exceeds_refund'],
    'all of it kept by fees' => [
        [], ['lines' => [['id' => 'a', 'quantity' => 1]], 'fee_percent' => '50', 'label' => '5.00'], 'nothing_to_refund',
    ],
    'more than the payments have' => [
        ['payments' => [['id' => 'card', 'captured' => '34.90', 'refunded' => '30.00']]],
        ['lines' => [['id' => 'a', 'quantity' => 1]]], 'over_captured',
    ],
    'no payment at all' => [['payments' => []], ['goodwill' => '1.00'], 'over_captured'],
    'two lines of one id' => [
        [
            'lines' => [
                ['id' => 'a', 'quantity' => 1, 'unit_price' => '1.00'], ['id' => 'a', 'quantity' => 1, 'unit_price' => '1.00'],
            ],
        ], [], 'bad_input',
    ],
    'given back more than was taken' => [
        ['payments' => [['id' => 'card', 'captured' => '1.00', 'refunded' => '1.01']]], [], 'bad_input',
    ],
    'a line of no units' => [['lines' => [['id' => 'a', 'quantity' => 0, 'unit_price' => '1.00']]], [], 'bad_input'],
    'half a unit' => [[], ['lines' => [['id' => 'a', 'quantity' => 0.5]]], 'bad_input'],
    'a way of paying back that there is not' => [[], ['payments' => 'by_hand'], 'bad_input'],
    'money as a number' => [[], ['goodwill' => 5], 'bad_input'],
]);

it('says where it is wrong', function (): void {
    $at = static fn (array $result): ?string => $result['error']['at'] ?? null;
    expect($at(quoted([], ['lines' => [['id' => 'a', 'quantity' => 1], ['id' => 'a', 'quantity' => 3]]])))
        ->toBe('request.lines[1].quantity')
        ->and($at(quoted([], [], [['lines' => [['id' => 'z', 'quantity' => 1]]]])))->toBe('earlier[0].lines[0].id')
        ->and($at(quoted([], ['shipping' => '5.00'])))->toBe('request.shipping')
        ->and($at(quoted(['lines' => [['id' => 'a', 'quantity' => 1, 'unit_price' => '-1']]], [])))->toBe('order.lines[0].unit_price');
});

it('catches up with the share of the delivery that was left out before, and takes none back that was too much', function (): void {
    $share = ['lines' => [['id' => 'a', 'quantity' => 1]], 'shipping' => 'share'];
    $before = static fn (string $delivery): array => [['lines' => [['id' => 'a', 'quantity' => 1]], 'shipping' => $delivery]];
    expect(quoted([], $share)['shipping']['gross'])->toBe('1.63')
        ->and(quoted([], $share, $before('0.00'))['shipping']['gross'])->toBe('3.27')
        ->and(quoted([], $share, $before('4.00'))['shipping']['gross'])->toBe('0.00')
        ->and(quoted([], ['shipping' => 'all'], $before('4.00'))['shipping']['gross'])->toBe('0.90')
        ->and(quoted([], ['goodwill' => '1.00'], $before('4.91'))['error']['code'])->toBe('shipping_over_remaining');
});

it('takes left out for none, zero, nothing and in order', function (): void {
    $order = [
        'shipping' => null, 'lines' => [['id' => '7', 'quantity' => 2, 'unit_price' => '5', 'discount' => null]],
        'payments' => [['id' => 'one', 'captured' => '4'], ['id' => 'two', 'captured' => '6']],
    ];
    $quote = quoted($order, ['lines' => [['id' => '7', 'quantity' => 1]], 'payments' => null, 'shipping' => null]);
    expect($quote['payments'])->toBe([['id' => 'one', 'amount' => '4.00'], ['id' => 'two', 'amount' => '1.00']])
        ->and($quote['lines'])->toBe([['id' => '7', 'quantity' => 1, 'net' => '5.00', 'tax' => '0.00', 'gross' => '5.00']])
        ->and($quote['left'])->toBe('5.00');
});

it('reckons in the smallest unit that a currency has, and with rates of any number of digits', function (): void {
    $yen = quoted([
        'currency' => 'JPY', 'shipping' => ['amount' => '500', 'tax_rate' => '0.1'],
        'lines' => [['id' => 'a', 'quantity' => 3, 'unit_price' => '333', 'tax_rate' => '0.1']],
        'payments' => [['id' => 'card', 'captured' => '1499']],
    ], ['lines' => [['id' => 'a', 'quantity' => 2]], 'shipping' => 'share', 'fee_percent' => '0.15']);
    expect($yen)->toMatchArray(['fee' => '1', 'total' => '998', 'left' => '501'])
        ->and($yen['shipping'])->toBe(['gross' => '333', 'tax' => '30', 'net' => '303']);
});

it('says how many units so much money gives back whole: as counted one by one, and of a thousand million at once', function (): void {
    for ($seed = 1; $seed <= 60; $seed++) {
        $order = anyOrder($seed);
        $priced = PricedOrder::of($order);
        foreach ($order->lines as $line) {
            $gross = $priced->lines[$line->id]->gross;
            $given = Money::ofUnits(BigInteger::of(mt_rand(1, $gross->toInt() + 5)), $order->currency);
            $counted = 0;
            while ($counted < $line->quantity && 2 * $gross->toInt() * ($counted + 1) + $line->quantity
                < 2 * $line->quantity * ($given->units->toInt() + 1)) {
                $counted++;
            }
            expect($priced->unitsFor($line->id, $given))->toBe($counted, "seed {$seed}, {$line->id}")
                ->and($priced->unitsFor($line->id, Money::ofUnits(BigInteger::zero(), $order->currency)))->toBe(0);
        }
    }
    $euro = static fn (int $units): Money => Money::ofUnits(BigInteger::of($units), Currency::of('EUR'));
    $many = PricedOrder::of(new PaidOrder(
        Currency::of('EUR'), true, [new OrderLine('pegs', 1_000_000_000, $euro(2), $euro(0), BigDecimal::of('0.23'))], $euro(0), $euro(0),
        BigDecimal::zero(), [new Payment('card', $euro(2_000_000_000), $euro(0))]
    ));
    expect($many->unitsFor('pegs', $euro(1_234_567_891)))->toBe(617_283_945)
        ->and($many->unitsFor('pegs', $euro(2_000_000_000)))->toBe(1_000_000_000);
});
