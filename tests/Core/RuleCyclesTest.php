<?php

declare(strict_types=1);

use Cairnfield\Core\Rules\RuleCycles;

/**
 * @param  array<string, array{string, string}>  $rules  listens to and causes, with spaces between
 * @return list<list<int|string>>
 */
function circles(array $rules): array
{
    return RuleCycles::of(
        array_map(
            static fn (array $rule): array => [
                'listens' => explode(' ', $rule[0]), 'causes' => array_values(array_filter(explode(' ', $rule[1]))),
            ],
            $rules
        )
    );
}

it('finds rules that wake each other', function (): void {
    expect(circles(['tag' => ['message', 'tagged'], 'prioritise' => ['tagged', 'priority'], 'answer' => ['message', 'answered']]))->toBe([])
        ->and(circles(['tag' => ['priority', 'tagged'], 'prioritise' => ['tagged', 'priority']]))->toBe([['tag', 'prioritise']])
        ->and(circles(['self' => ['tagged', 'tagged'], 'other' => ['tagged', '']]))->toBe([['self']])
        ->and(circles(['a' => ['x', 'y'], 'b' => ['y', 'z'], 'c' => ['z', 'x'], 'd' => ['x', 'w'], 'e' => ['w', 'v'], 'f' => ['v', 'w']]))
        ->toBe([['a', 'b', 'c'], ['e', 'f']])
        ->and(circles([]))->toBe([]);
});

it('finds a circle of any length, and none in a line', function (): void {
    $line = [];
    for ($number = 0; $number < 60; $number++) {
        $line["rule {$number}"] = ["event{$number}", 'event'.($number + 1)];
    }
    expect(circles($line))->toBe([])
        ->and(circles([...$line, 'closing' => ['event60', 'event0']])[0])->toHaveCount(61);
});

it('names the rules of a circle, and the circles, in the order of the rules, however they wake each other', function (): void {
    expect(circles(['a' => ['x', 'z'], 'b' => ['y', 'x'], 'c' => ['z', 'y']]))->toBe([['a', 'b', 'c']])
        ->and(circles(['last' => ['p', 'q'], 'self' => ['s', 's'], 'a' => ['x', 'y s'], 'b' => ['y', 'x'], 'first' => ['q', 'p']]))
        ->toBe([['last', 'first'], ['self'], ['a', 'b']])
        ->and(circles(['from' => ['m', 'x'], 'b' => ['y', 'x z'], 'a' => ['x', 'y'], 'self' => ['z', 'z']]))->toBe([['b', 'a'], ['self']]);
});
