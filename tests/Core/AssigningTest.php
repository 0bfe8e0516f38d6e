<?php

declare(strict_types=1);

use Cairnfield\Core\Assigning\Assignment;
use Cairnfield\Core\Assigning\Candidate;
use Cairnfield\Core\Assigning\Method;

it('gives in turns, to the first in the list where two come even', function (): void {
    $result = Assignment::next(Method::Even, 5, [], [new Candidate('ilse'), new Candidate('ruta', lastAssigned: 7), new Candidate('mads')]);

    expect($result->picked)->toBe(['ilse', 'mads', 'ruta', 'ilse', 'mads']);
});

it('gives by weight, spread and not in rows', function (): void {
    $result = Assignment::next(
        Method::Weighted, 7, [],
        [new Candidate('full', 5), new Candidate('half', 1), new Candidate('other', 1), new Candidate('none', 0)]
    );

    expect($result->picked)->toBe(['full', 'full', 'half', 'full', 'other', 'full', 'full'])
        ->and(array_sum(array_map(static fn (Candidate $one): int => $one->current, $result->people)))->toBe(0);
});

it('gives to whoever has the fewest open, until everybody is full', function (): void {
    $result = Assignment::next(Method::FewestOpen, 5, [], [new Candidate('ilse', open: 3, cap: 4), new Candidate('ruta', open: 1, cap: 4)]);

    expect($result->picked)->toBe(['ruta', 'ruta', 'ilse', 'ruta', null]);
});

it('takes among those with as few open whoever had none, then whoever had one longest ago', function (): void {
    $result = Assignment::next(
        Method::FewestOpen, 3, [],
        [new Candidate('ilse', open: 2, lastAssigned: 3), new Candidate('ruta', open: 2, lastAssigned: 1), new Candidate('mads', open: 2)]
    );

    expect($result->picked)->toBe(['mads', 'ruta', 'ilse']);
});

it('counts a weight of nothing only where weights count', function (): void {
    $people = [new Candidate('corin', 0)];

    expect(Assignment::next(Method::Weighted, 3, [], $people)->picked)->toBe([null, null, null])
        ->and(Assignment::next(Method::Even, 2, [], $people)->picked)->toBe(['corin', 'corin'])
        ->and(Assignment::next(Method::FewestOpen, 1, [], $people)->picked)->toBe(['corin']);
});

it('gives to nobody who is away or lacks what it needs', function (): void {
    $people = [
        new Candidate('ilse', skills: ['da']), new Candidate('ruta', available: false, skills: ['lv', 'de']),
        new Candidate('mads', skills: ['da', 'de']),
    ];

    expect(Assignment::next(Method::Even, 2, ['de'], $people)->picked)->toBe(['mads', 'mads'])
        ->and(Assignment::next(Method::Even, 1, ['lv'], $people)->picked)->toBe([null])
        ->and(Assignment::next(Method::Even, 1, [], [])->picked)->toBe([null]);
});

it('is fair over a long time whoever comes and goes', function (): void {
    $people = [new Candidate('a', 3), new Candidate('b', 2), new Candidate('c', 1)];
    $counts = array_count_values(array_map(strval(...), Assignment::next(Method::Weighted, 600, [], $people)->picked));

    expect($counts)->toBe(['a' => 300, 'b' => 200, 'c' => 100]);
});

/**
 * Whoever comes next in the plainest words: the first in the list whom nobody of those who can take it goes before.
 *
 * @param  list<Candidate>  $people
 * @param  list<string>  $needs
 */
function plainlyNext(Method $method, array $people, array $needs): ?Candidate
{
    $best = null;
    foreach ($people as $one) {
        $can = $one->available && array_diff($needs, $one->skills) === [] && ($one->cap === null || $one->open < $one->cap);
        if (! $can) {
            continue;
        }
        $goesBefore = $best === null || match ($method) {
            Method::FewestOpen => $one->open < $best->open || (
                $one->open === $best->open && ($one->lastAssigned ?? -1) < ($best->lastAssigned ?? -1)
            ),
            default => ($one->lastAssigned ?? -1) < ($best->lastAssigned ?? -1),
        };
        $best = $goesBefore ? $one : $best;
    }

    return $best;
}

it('gives each to whom the plain words name, whoever is there', function (Method $method): void {
    mt_srand(crc32($method->value));
    for ($round = 0; $round < 300; $round++) {
        $people = array_map(static fn (int $number): Candidate => new Candidate(
            "p{$number}", 1, mt_rand(0, 4), mt_rand(0, 2) === 0
                ? mt_rand(1, 5)
                : null, mt_rand(0, 4) > 0, array_slice(['da', 'de'], 0, mt_rand(0, 2)), mt_rand(0, 1) === 0
                ? null
                : $number * 3 % 7,
        ), range(1, mt_rand(1, 5)));
        $needs = mt_rand(0, 3) === 0 ? ['da'] : [];
        $result = Assignment::next($method, 6, $needs, $people);
        foreach ($result->picked as $picked) {
            $next = plainlyNext($method, $people, $needs);
            expect($picked)->toBe($next?->id);
            $number = 1 + max(0, ...array_map(static fn (Candidate $one): int => $one->lastAssigned ?? 0, $people));
            $people = array_map(static fn (Candidate $one): Candidate => $one->id === $picked ? $one->given($number, 0) : $one, $people);
        }
        expect(array_map(static fn (Candidate $one): array => [$one->id, $one->open, $one->lastAssigned], $result->people))
            ->toBe(array_map(static fn (Candidate $one): array => [$one->id, $one->open, $one->lastAssigned], $people));
    }
})->with([Method::Even, Method::FewestOpen]);

it('gives by weight what weights ask for, never more than one off at any time', function (): void {
    mt_srand(5);
    for ($round = 0; $round < 60; $round++) {
        $weights = array_map(static fn (): int => mt_rand(1, 9), range(1, mt_rand(2, 5)));
        $people = array_map(static fn (int $index): Candidate => new Candidate($index, $weights[$index]), array_keys($weights));
        $counts = array_fill(0, count($weights), 0);
        foreach (Assignment::next(Method::Weighted, 3 * array_sum($weights), [], $people)->picked as $given => $picked) {
            $counts[$picked]++;
            foreach ($weights as $index => $weight) {
                expect(abs($counts[$index] - ($given + 1) * $weight / array_sum($weights)))->toBeLessThanOrEqual(count($weights));
            }
        }
        expect($counts)->toBe(array_map(static fn (int $weight): int => 3 * $weight, $weights));
    }
});

it('gives nobody more than they take, and says so for the rest', function (): void {
    foreach (Method::cases() as $method) {
        $result = Assignment::next($method, 7, [], [new Candidate('a', 2, 0, 3), new Candidate('b', 1, 1, 2)]);
        $counts = array_count_values(array_filter($result->picked, is_string(...)));
        expect($counts['a'] ?? 0)->toBe(3)->and($counts['b'] ?? 0)->toBe(1)
            ->and(array_slice($result->picked, 4))->toBe([null, null, null]);
    }
});
