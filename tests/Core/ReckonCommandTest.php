<?php

declare(strict_types=1);

/**
 * @return array{string, string, int} standard output, standard error, exit status
 */
function reckon(string $arguments, string $input = ''): array
{
    $process = proc_open(
        [PHP_BINARY, dirname(__DIR__, 2).'/bin/reckon', ...array_filter(explode(' ', $arguments))],
        [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
        $pipes,
    );
    fwrite($pipes[0], $input);
    fclose($pipes[0]);
    $printed = [(string) stream_get_contents($pipes[1]), (string) stream_get_contents($pipes[2])];

    return [...$printed, proc_close($process)];
}

it('answers one line for each case, in order, and goes on after a wrong one', function (): void {
    [$out, , $status] = reckon('money.allocate', implode("\n", [
        '{"currency":"EUR","amount":"10.00","weights":["1","1","1"]}',
        '',
        'not json',
        '[1, 2]',
        '{"currency":"JPY","amount":"7","weights":["1","1"]}',
    ]));
    $lines = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($out)));
    expect($lines)->toHaveCount(4)
        ->and($lines[0])->toBe(['shares' => ['3.34', '3.33', '3.33']])
        ->and($lines[1]['error']['code'])->toBe('bad_input')
        ->and($lines[2]['error']['code'])->toBe('bad_input')
        ->and($lines[3])->toBe(['shares' => ['4', '3']])
        ->and($status)->toBe(1);
});

it('ends with 0 when every case had a result', function (): void {
    expect(reckon('text.redact', '{"text":"a","kinds":[]}')[2])->toBe(0)
        ->and(reckon('text.redact', '')[2])->toBe(0);
});

it('ends with 2 for an unknown calculation and for what is not UTF-8', function (): void {
    [$out, $error, $status] = reckon('money.guess', '{}');
    expect([$out, $status])->toBe(['', 2])->and($error)->toContain('money.guess');
    [$out, $error, $status] = reckon('text.redact', "{\"text\":\"\xff\",\"kinds\":[]}");
    expect([$out, $status])->toBe(['', 2])->and($error)->toContain('UTF-8');
});

it('names the calculations and what each case holds', function (): void {
    expect(explode("\n", trim(reckon('--list')[0])))->toBe([
        'assign.next', 'hours.add', 'hours.between', 'money.allocate', 'promise.timeline', 'ratings.summary', 'refund.quote',
        'return.window', 'rules.match', 'rules.plan', 'signal.excess', 'text.redact',
    ])
        ->and(reckon('hours.add --help')[0])->toContain('calendar')->toContain('seconds');
});

it('names the place of what is wrong', function (string $calculation, string $case, string $code, string $at): void {
    [$out] = reckon($calculation, $case);
    $error = json_decode($out, true)['error'];
    expect($error['code'])->toBe($code)->and($error['at'])->toBe($at)->and($error['message'])->not->toBeEmpty();
})->with([
    'a weight that is no string' => ['money.allocate', '{"currency":"EUR","amount":"1","weights":["1",2]}', 'bad_input', 'weights[1]'],
    'a weight that cannot be read, before the precision' => [
        'money.allocate', '{"currency":"JPY","amount":"1.5","weights":["x"]}', 'bad_input', 'weights[0]',
    ],
    'the precision, before a negative weight' => [
        'money.allocate', '{"currency":"JPY","amount":"1.50","weights":["-1"]}', 'currency_precision', 'amount',
    ],
    'an exponent' => ['money.allocate', '{"currency":"EUR","amount":"1e3","weights":["1"]}', 'bad_input', 'amount'],
    'a small currency code' => ['money.allocate', '{"currency":"eur","amount":"1","weights":["1"]}', 'bad_input', 'currency'],
    'seconds with a fraction' => [
        'hours.add', '{"calendar":{"always":true},"from":"2026-11-23T09:00:00Z","seconds":1.5}', 'bad_input', 'seconds',
    ],
    'a fraction of a second' => [
        'hours.add', '{"calendar":{"always":true},"from":"2026-11-23T09:00:00.5Z","seconds":1}', 'bad_input', 'from',
    ],
    'a day that does not exist' => [
        'hours.add', '{"calendar":{"always":true},"from":"2026-02-30T09:00:00Z","seconds":1}', 'bad_input', 'from',
    ],
    'no calendar, and bad input before it' => ['hours.between', '{"calendar":[],"from":"x","to":"y"}', 'bad_input', 'from'],
    'a calendar left out' => ['hours.between', '{"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}', 'bad_input', 'calendar'],
    'a list for a calendar' => [
        'hours.between', '{"calendar":[],"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}', 'bad_calendar', 'calendar',
    ],
    'a weekday nobody knows' => [
        'hours.between',
        '{"calendar":{"timezone":"UTC","week":{"foo":[]}},"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}',
        'bad_calendar', 'calendar.week.foo',
    ],
    'an offset for a zone' => [
        'hours.between', '{"calendar":{"timezone":"+02:00"},"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}',
        'bad_calendar', 'calendar.timezone',
    ],
    '24:00 as a start' => [
        'hours.between',
        '{"calendar":{"timezone":"UTC","week":{"mon":[["24:00","24:00"]]}},"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}',
        'bad_calendar', 'calendar.week.mon[0]',
    ],
    'two exceptions for one date' => [
        'hours.between',
        '{"calendar":{"timezone":"UTC","exceptions":[{"date":"2026-01-01","open":[]},'
            .'{"date":"2026-01-01","open":[]}]},"from":"2026-11-23T09:00:00Z","to":"2026-11-23T09:00:00Z"}',
        'bad_calendar', 'calendar.exceptions[1].date',
    ],
]);
