<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\Refund;
use App\Refunds\Worksheet;
use App\Spending\UnusualSpending;
use App\Spending\WhatItCost;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Services;

/*
 * What refunds cost, and where more goes back than chance would have it.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    $this->mads = $this->teammate('mads');
    $this->orderOf = function (string $name, int $number): Order {
        Services::take(Channel::Shop, Services::orderBy(Str::slug($name, '.').'@post.example', [
            'id' => "ord_{$number}", 'number' => "B-{$number}", 'sold_on' => null, 'parcels' => [], 'customer' => [
                'id' => null, 'name' => $name, 'email' => Str::slug($name, '.').'@post.example', 'telephone' => null,
                'address' => ['lines' => [$name === 'Bo Falk' || $name === 'B. Falck' ? 'Strandvej 1' : "Vej {$number}"],
                    'country' => 'DK'],
            ],
            'payments' => [['id' => "pay-{$number}", 'kind' => 'card', 'label' => 'Card', 'captured' => 16300, 'refunded' => 0]],
        ]));

        return Order::query()->where('number', "B-{$number}")->with(['lines', 'payments'])->sole();
    };
    $this->give = function (Order $order, ChosenRefund $chosen, string $reason, ?Teammate $by = null): Refund {
        return app(IssueRefund::class)->issue(
            $order, $chosen, Worksheet::of($order, $chosen)->total(), $reason, null, $by ?? $this->mads, Str::uuid()->toString()
        );
    };
});

it('sets customers beside what chance gives, and marks whom that does not explain', function (): void {
    expect((new UnusualSpending)->customers())->toBe([]);
    for ($number = 21000; $number < 21060; $number++) {
        ($this->orderOf)('Person '.$number, $number);
    }
    foreach (range(21100, 21105) as $number) {
        ($this->give)(($this->orderOf)('Bo Falk', $number), new ChosenRefund(goodwill: '5'), 'Late');
    }
    ($this->give)(Order::query()->where('number', 'B-21000')->with(['lines', 'payments'])->sole(), new ChosenRefund(goodwill: '5'), 'Late');
    [$line] = (new UnusualSpending)->customers();
    expect([$line->name, $line->units, $line->count, $line->expected, $line->standsOut])->toBe(['Bo Falk', 6, 6, '0.64', true])
        ->and((new UnusualSpending)->customers())->toHaveCount(1)->and($line->chanceInWords())->toBe('under 0.1 %');
    ($this->give)(($this->orderOf)('B. Falck', 21110), new ChosenRefund(goodwill: '5'), 'Late');
    expect((new UnusualSpending)->addresses()[0])->toMatchArray(['address' => 'Strandvej 1, DK', 'orders' => 7, 'refunds' => 7]);
    $this->actingAs($this->mads)->get('/refunds/spending')->assertOk()->assertSee('Bo Falk')->assertSee('stands out');
    $this->actingAs($this->teammate('ilse'))->get('/refunds/spending')->assertForbidden();
});

it('compares people on like matters alone', function (): void {
    $corin = $this->teammate('corin');
    for ($number = 21000; $number < 21012; $number++) {
        $chosen = new ChosenRefund(delivery: 'all', goodwill: $number % 2 === 0 ? '5' : '');
        ($this->give)(($this->orderOf)("Person {$number}", $number), $chosen, 'Late', $number % 2 === 0 ? $this->mads : $corin);
    }
    ($this->give)(($this->orderOf)('Una', 21020), new ChosenRefund(goodwill: '50'), 'Goodwill', $corin);
    $lines = (new UnusualSpending)->people();
    expect($lines)->toHaveCount(1)->and($lines[0]->name)->toBe('Mads Overgaard: late')->and([$lines[0]->units, $lines[0]->count])
        ->toBe([6, 6])
        ->and($lines[0]->expected)->toBe('3.00')->and($lines[0]->standsOut)->toBeTrue();
});

it('adds up what it cost, in each currency, by the weeks of the store', function (): void {
    ($this->give)($order = ($this->orderOf)('Una', 21000), new ChosenRefund([$order->lines[0]->id => 1], goodwill: '5'), 'Faulty');
    CarbonImmutable::setTestNow('2026-11-22T23:30:00Z');
    ($this->give)($order = ($this->orderOf)('Liv', 21001), new ChosenRefund([$order->lines[1]->id => 2]), 'Faulty');
    CarbonImmutable::setTestNow('2026-11-22T22:30:00Z');
    ($this->give)(($this->orderOf)('Ana', 21002), new ChosenRefund(delivery: 'all'), 'Late');
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $cost = new WhatItCost;
    expect($cost->byReason())->toBe([
        ['name' => 'Faulty', 'count' => 2, 'returns' => 0, 'given' => '€149.00', 'goodwill' => '€5.00'],
        ['name' => 'Late', 'count' => 1, 'returns' => 0, 'given' => '€19.00', 'goodwill' => '—'],
    ])->and(array_column($cost->byWeek(), 'count', 'name'))->toBe(['23 Nov' => 2, '16 Nov' => 1])
        ->and($cost->byProduct()[0])->toBe(['name' => 'Tails, orange, pair', 'units' => 2, 'given' => '€25.00']);
});
