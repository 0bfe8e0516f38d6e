<?php

declare(strict_types=1);

use Cairnfield\Core\Reckon\Reckoner;

/**
 * @return array<string, mixed>
 */
function reckoned(string $calculation, string $case): array
{
    $known = Reckoner::calculation($calculation) ?? throw new LogicException($calculation);

    return Reckoner::answer($known, $case);
}

/**
 * @return array<string, array{string, string, string, string}>
 */
function timelinesRefused(): array
{
    $good = [
        'targets' => [['kind' => 'first_reply', 'seconds' => ['normal' => 60], 'calendar' => 'a']],
        'calendars' => ['a' => ['always' => true]], 'priority' => 'normal', 'created_at' => '2026-11-23T10:00:00Z', 'events' => [],
        'now' => '2026-11-23T11:00:00Z',
    ];
    $event = static fn (array $event): array => ['events' => [['at' => '2026-11-23T10:30:00Z', ...$event]]];
    $target = static fn (array $target): array => ['targets' => [[...$good['targets'][0], ...$target]]];
    $refused = [
        'a promise of another kind' => [$target(['kind' => 'soon']), 'bad_input', 'targets[0].kind'],
        'a promise of less than no time' => [$target(['seconds' => ['normal' => -1]]), 'bad_input', 'targets[0].seconds.normal'],
        'a promise of half a second' => [$target(['seconds' => ['normal' => 0.5]]), 'bad_input', 'targets[0].seconds.normal'],
        'a promise for a priority that there is not' => [$target(['seconds' => ['huge' => 1]]), 'bad_input', 'targets[0].seconds.huge'],
        'a warning after it' => [$target(['warn_before' => -1]), 'bad_input', 'targets[0].warn_before'],
        'a clock that runs when all is done' => [$target(['runs_in' => ['resolved']]), 'bad_input', 'targets[0].runs_in[0]'],
        'another priority' => [['priority' => 'huge'], 'bad_input', 'priority'],
        'another event' => [$event(['type' => 'knock']), 'bad_input', 'events[0].type'],
        'a status event without one' => [$event(['type' => 'status']), 'bad_input', 'events[0].status'],
        'another status' => [$event(['type' => 'status', 'status' => 'asleep']), 'bad_input', 'events[0].status'],
        'no calendars' => [['calendars' => null], 'bad_input', 'calendars'],
        'no calendar, but what is no input is said first' => [
            [...$target(['calendar' => 'b']), 'calendars' => ['a' => 7]], 'bad_input', 'targets[0].calendar',
        ],
        'no calendar, said before disorder' => [
            ['calendars' => ['a' => ['timezone' => 'Mars']], 'now' => '2026-11-23T09:00:00Z'], 'bad_calendar', 'calendars.a.timezone',
        ],
    ];

    return array_map(
        static fn (array $one): array => ['promise.timeline', (string) json_encode([...$good, ...$one[0]]), $one[1], $one[2]], $refused
    );
}

it('refuses a case that does not fit, with the code, the place and a sentence', function (
    string $calculation, string $case, string $code, string $at
): void {
    $error = reckoned($calculation, $case)['error'] ?? null;
    expect([$error['code'] ?? null, $error['at'] ?? null])->toBe([$code, $at])->and(strlen($error['message'] ?? ''))->toBeGreaterThan(5);
})->with([
    'a list for a case' => ['assign.next', '[]', 'bad_input', ''],
    'a number for a case' => ['assign.next', '7', 'bad_input', ''],
    'nothing for a case' => ['assign.next', 'null', 'bad_input', ''],
    'fewer picks than none' => ['assign.next', '{"method":"even","picks":-1,"people":[]}', 'bad_input', 'picks'],
    'a person of weight -1' => [
        'assign.next', '{"method":"even","picks":1,"people":[{"id":"a","weight":-1}]}', 'bad_input', 'people[0].weight',
    ],
    'a person with half an id' => ['assign.next', '{"method":"even","picks":1,"people":[{"id":1.5}]}', 'bad_input', 'people[0].id'],
    'a person without one' => [
        'assign.next', '{"method":"even","picks":1,"people":[{"id":"a"},{"weight":1}]}', 'bad_input', 'people[1].id',
    ],
    'two of one id' => ['assign.next', '{"method":"even","picks":1,"people":[{"id":"1"},{"id":1}]}', 'bad_input', 'people[1].id'],
    'another method' => ['assign.next', '{"method":"odd","picks":1,"people":[]}', 'bad_input', 'method'],
    ...timelinesRefused(),
    'half a star' => ['ratings.summary', '{"kind":"stars","scores":[5,4.5]}', 'bad_score', 'scores[1]'],
    'nearly five stars' => ['ratings.summary', '{"kind":"stars","scores":[4.9]}', 'bad_score', 'scores[0]'],
    'a little more than four' => ['ratings.summary', '{"kind":"stars","scores":[4.1]}', 'bad_score', 'scores[0]'],
    'stars beyond all numbers' => ['ratings.summary', '{"kind":"stars","scores":[1e300]}', 'bad_score', 'scores[0]'],
    'a star in words' => ['ratings.summary', '{"kind":"stars","scores":["5"]}', 'bad_score', 'scores[0]'],
    'scores in words' => ['ratings.summary', '{"kind":"stars","scores":"5"}', 'bad_input', 'scores'],
    'a rule of half an id' => [
        'rules.plan', '{"facts":{},"rules":[{"id":1.5,"way":"every","on":true,"condition":{"all":[]},"actions":[]}]}', 'bad_input',
        'rules[0].id',
    ],
    'two rules of one id' => [
        'rules.plan',
        '{"facts":{},"rules":[{"id":1,"way":"every","on":true,"condition":{"all":[]},"actions":[]},'
            .'{"id":"1","way":"every","on":true,"condition":{"all":[]},"actions":[]}]}',
        'bad_input', 'rules[1].id',
    ],
]);

it('takes what a person is not said to be for what is usual', function (string $method): void {
    $picked = static fn (string $usual): array => reckoned(
        'assign.next',
        '{"method":"'.$method.'","picks":7,"people":[{"id":"a"'.$usual.'},{"id":"b","weight":2,"open":1},{"id":"c","weight":1,"open":2}]}'
    );
    expect($picked(''))->toBe($picked(',"weight":1,"open":0,"available":true,"skills":[],"current":0'))
        ->and($picked('')['picked'])->toHaveCount(7)
        ->and($picked('')['picked'])->toContain('a')
        ->and($picked(',"available":false')['picked'])->not->toContain('a')
        ->and($picked(',"cap":0')['picked'])->not->toContain('a');
})->with(['even', 'weighted', 'fewest_open']);

it('goes by who was last, and gives nobody beyond their cap', function (): void {
    $next = reckoned('assign.next', '{"method":"even","picks":3,"people":[{"id":1,"last_assigned":9},{"id":2,"last_assigned":4,"cap":1}]}');
    expect($next['picked'])->toBe([2, 1, 1])->and(array_column($next['people'], 'open'))->toBe([2, 1]);
});

it('takes a whole number with a point for one', function (): void {
    expect(
        reckoned('ratings.summary', '{"kind":"stars","scores":[5.0,4]}')
    )->toBe(reckoned('ratings.summary', '{"kind":"stars","scores":[5,4]}'));
});

it('knows no calculation of another name', function (): void {
    expect(Reckoner::calculation('money.guess'))->toBeNull()->and(Reckoner::calculation(''))->toBeNull();
});

it('redacts widely where it is asked to, and says what it wants where that is no yes or no', function (): void {
    $case = static fn (string $wide): string => '{"text":"4111 1111\n1111 1111","kinds":["card","iban"]'.$wide.'}';
    expect(reckoned('text.redact', $case(',"wide":true')))->toBe([
        'text' => '[card …1111]', 'found' => [['kind' => 'card', 'last4' => '1111']],
    ])
        ->and(reckoned('text.redact', $case(',"wide":false'))['found'])->toBe([])
        ->and(reckoned('text.redact', $case(''))['found'])->toBe([])
        ->and(reckoned('text.redact', $case(',"wide":"yes"'))['error']['code'] ?? null)->toBe('bad_input');
});
