<?php

declare(strict_types=1);

use Cairnfield\Core\Reckon\Reckoner;
use Cairnfield\Core\Reckon\SignalExcess;
use Cairnfield\Core\Signal\Excess;
use Cairnfield\Core\Signal\Item;

/**
 * @param  list<array{string, int, int}>  $items
 * @return array<string, mixed>
 */
function excess(array $items, ?string $level = null): array
{
    return Reckoner::answer(new SignalExcess, (string) json_encode([
        'items' => array_map(static fn (array $one): array => ['id' => $one[0], 'units' => $one[1], 'bad' => $one[2]], $items),
        ...($level === null ? [] : ['level' => $level]),
    ]));
}

it('gives the exact chance of so many or more', function (): void {
    // Three of four coins, or four: 5 / 16.
    expect(excess([['a', 1, 3], ['b', 1, 1]])['items'][0]['p'])->toBe('0.312500')
        // One of six, twice at least in three throws: 16 / 216.
        ->and(excess([['six', 1, 2], ['others', 5, 1]])['items'][0]['p'])->toBe('0.074074')
        ->and(excess([['six', 1, 0], ['others', 5, 3]])['items'][0]['p'])->toBe('1.000000');
});

it('adds up to one over all that can be, also for thousands', function (): void {
    foreach ([[3, 7, 40], [1, 999, 5000], [500, 500, 5000]] as [$units, $rest, $bad]) {
        $chance = static fn (int $count): float => Excess::of([new Item('a', $units, $count), new Item('b', $rest, $bad - $count)], 0.05)
            ->items[0]->chance;
        $before = 1.0;
        foreach ([0, 1, intdiv($bad * $units, $units + $rest), intdiv($bad * $units, $units + $rest) + 5, $bad] as $count) {
            expect($chance($count))->toBeLessThanOrEqual($before + 1e-9)->toBeGreaterThanOrEqual(0.0);
            $before = $chance($count);
        }
        // So many or more, and the other side of it: one less for the other.
        $middle = intdiv($bad * $units, $units + $rest) + 1;
        $other = Excess::of([new Item('a', $rest, $bad - $middle + 1), new Item('b', $units, $middle - 1)], 0.05)->items[0]->chance;
        expect(abs($chance($middle) + $other - 1.0))->toBeLessThan(1e-9);
    }
});

it('finds what stands out and nothing that comes of looking at many', function (): void {
    $alike = array_map(static fn (int $n): array => ["i{$n}", 100, 5], range(1, 40));
    expect(excess($alike)['found'])->toBe([])->and(excess([...$alike, ['bad', 100, 30]])['found'])->toBe(['bad'])
        ->and(excess([...$alike, ['some', 100, 11]])['found'])->toBe([])->and(excess([...$alike, ['some', 100, 11]], '0.9')['found'])
        ->toContain('some');
});

it('takes two hundred items with five thousand bad ones quickly', function (): void {
    $start = microtime(true);
    Excess::of(array_map(static fn (int $n): Item => new Item("i{$n}", 100 + $n, 25), range(1, 200)), 0.05);
    expect(microtime(true) - $start)->toBeLessThan(5.0);
});

it('refuses what cannot be', function (array $items, ?string $level, string $code): void {
    expect(excess($items, $level)['error']['code'] ?? null)->toBe($code);
})->with([
    'bad of nothing' => [[['a', 0, 1], ['b', 5, 0]], null, 'bad_without_units'], 'nothing at all' => [[['a', 0, 0]], null, 'no_units'],
    'none' => [[], null, 'no_units'], 'twice' => [[['a', 1, 0], ['a', 1, 0]], null, 'bad_input'],
    'below zero' => [[['a', -1, 0]], null, 'bad_input'],
    'always' => [[['a', 1, 0]], '1', 'bad_input'], 'never' => [[['a', 1, 0]], '0', 'bad_input'],
]);
