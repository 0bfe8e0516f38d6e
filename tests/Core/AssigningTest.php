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
    $result = Assignment::next(Method::Weighted, 7, [], [new Candidate('full', 5), new Candidate('half', 1), new Candidate('other', 1), new Candidate('none', 0)]);

    expect($result->picked)->toBe(['full', 'full', 'half', 'full', 'other', 'full', 'full'])
        ->and(array_sum(array_map(static fn (Candidate $one): int => $one->current, $result->people)))->toBe(0);
});

it('gives to whoever has the fewest open, until everybody is full', function (): void {
    $result = Assignment::next(Method::FewestOpen, 5, [], [new Candidate('ilse', open: 3, cap: 4), new Candidate('ruta', open: 1, cap: 4)]);

    expect($result->picked)->toBe(['ruta', 'ruta', 'ilse', 'ruta', null]);
});

it('takes among those with as few open whoever had none, then whoever had one longest ago', function (): void {
    $result = Assignment::next(Method::FewestOpen, 3, [], [new Candidate('ilse', open: 2, lastAssigned: 3), new Candidate('ruta', open: 2, lastAssigned: 1), new Candidate('mads', open: 2)]);

    expect($result->picked)->toBe(['mads', 'ruta', 'ilse']);
});

it('counts a weight of nothing only where weights count', function (): void {
    $people = [new Candidate('corin', 0)];

    expect(Assignment::next(Method::Weighted, 3, [], $people)->picked)->toBe([null, null, null])
        ->and(Assignment::next(Method::Even, 2, [], $people)->picked)->toBe(['corin', 'corin'])
        ->and(Assignment::next(Method::FewestOpen, 1, [], $people)->picked)->toBe(['corin']);
});

it('gives to nobody who is away or lacks what it needs', function (): void {
    $people = [new Candidate('ilse', skills: ['da']), new Candidate('ruta', available: false, skills: ['lv', 'de']), new Candidate('mads', skills: ['da', 'de'])];

    expect(Assignment::next(Method::Even, 2, ['de'], $people)->picked)->toBe(['mads', 'mads'])
        ->and(Assignment::next(Method::Even, 1, ['lv'], $people)->picked)->toBe([null])
        ->and(Assignment::next(Method::Even, 1, [], [])->picked)->toBe([null]);
});

it('is fair over a long time whoever comes and goes', function (): void {
    $people = [new Candidate('a', 3), new Candidate('b', 2), new Candidate('c', 1)];
    $counts = array_count_values(array_map(strval(...), Assignment::next(Method::Weighted, 600, [], $people)->picked));

    expect($counts)->toBe(['a' => 300, 'b' => 200, 'c' => 100]);
});
