<?php

declare(strict_types=1);

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\DaySpans;
use Cairnfield\Core\Hours\HoursRefused;
use Cairnfield\Core\Hours\Instant;

/**
 * @param  array<string, list<list<string>>>  $week
 * @param  list<array<string, mixed>>  $exceptions
 */
function calendar(string $zone, array $week, array $exceptions = []): Calendar
{
    return Calendar::read(json_decode((string) json_encode(['timezone' => $zone, 'week' => (object) $week, 'exceptions' => $exceptions])));
}

/**
 * The rule as it is written, looked up for every minute.
 *
 * @param  array<string, list<list<string>>>  $week
 * @param  array<string, list<list<string>>>  $exceptions
 */
function openByLooking(string $zone, array $week, array $exceptions, DateTimeImmutable $from, DateTimeImmutable $to): int
{
    $seconds = 0;
    for ($at = $from->getTimestamp(); $at < $to->getTimestamp(); $at += 60) {
        $local = Instant::ofEpoch($at)->setTimezone(new DateTimeZone($zone));
        $spans = $exceptions[$local->format('Y-m-d')] ?? $week[strtolower($local->format('D'))] ?? [];
        foreach ($spans as [$start, $end]) {
            $seconds += $local->format('H:i') >= $start && $local->format('H:i') < $end ? 60 : 0;
        }
    }

    return $seconds;
}

it('counts what looking at every minute would count, over clock changes and exceptions', function (string $zone, string $around): void {
    mt_srand(crc32($zone));
    $week = [
        'mon' => [['09:00', '12:30'], ['13:30', '17:00']],
        'sat' => [['22:00', '24:00']],
        'sun' => [['00:00', '00:30'], ['00:45', '02:30'], ['03:15', '06:00']],
    ];
    $dates = [substr($around, 0, 10) => [['01:15', '03:45']]];
    foreach ([[], $dates] as $exceptions) {
        $list = array_map(
            static fn (string $date, array $open): array => ['date' => $date, 'open' => $open], array_keys($exceptions), $exceptions
        );
        $calendar = calendar($zone, $week, $list);
        for ($round = 0; $round < 12; $round++) {
            $from = Instant::ofEpoch((int) strtotime($around) + mt_rand(-3000, 0) * 60);
            $to = $from->modify('+'.mt_rand(0, 6000).' minutes');
            expect($calendar->between($from, $to))->toBe(openByLooking($zone, $week, $exceptions, $from, $to));
        }
    }
})->with([
    'forward in Lisbon' => ['Europe/Lisbon', '2026-03-29T02:00:00Z'],
    'back in Copenhagen' => ['Europe/Copenhagen', '2026-10-25T02:00:00Z'],
    'by half an hour on Lord Howe' => ['Australia/Lord_Howe', '2026-04-05T02:00:00Z'],
    'a day left out in Samoa' => ['Pacific/Apia', '2011-12-31T02:00:00Z'],
    'no change in Tokyo' => ['Asia/Tokyo', '2026-07-05T02:00:00Z'],
    'far ahead' => ['America/New_York', '2051-11-05T02:00:00Z'],
]);

it('adds to the earliest instant that has enough', function (): void {
    mt_srand(7);
    $calendar = calendar(
        'Europe/Copenhagen', ['tue' => [['09:00', '17:00']], 'sun' => [['00:30', '04:30']]],
        [['date' => '2026-10-27', 'open' => [['10:00', '11:00']]]]
    );
    for ($round = 0; $round < 60; $round++) {
        $from = Instant::ofEpoch((int) strtotime('2026-10-20T00:00:00Z') + mt_rand(0, 20 * 86_400));
        $seconds = mt_rand(1, 200_000);
        $at = $calendar->add($from, $seconds);
        expect($calendar->between($from, $at))->toBe($seconds)
            ->and($calendar->between($from, $at->modify('-1 second')))->toBe($seconds - 1);
    }
});

it('takes 1,830 days as the end of looking', function (): void {
    $from = Instant::read('2026-01-01T00:00:00Z') ?? throw new LogicException;
    $limit = 1830 * 86_400;
    expect(Calendar::always()->add($from, $limit)->getTimestamp())->toBe($from->getTimestamp() + $limit)
        ->and(fn () => Calendar::always()->add($from, $limit + 1))->toThrow(HoursRefused::class)
        ->and(fn () => Calendar::always()->add($from, PHP_INT_MAX))->toThrow(HoursRefused::class);
});

it('reads instants with any offset and writes them in UTC', function (string $text, ?string $written): void {
    $instant = Instant::read($text);
    expect($instant === null ? null : Instant::write($instant))->toBe($written);
})->with([
    ['2026-03-29T07:30:00Z', '2026-03-29T07:30:00Z'],
    ['2026-03-29T00:30:00+02:00', '2026-03-28T22:30:00Z'],
    ['2026-03-29t07:30:00z', '2026-03-29T07:30:00Z'],
    ['2026-03-29 07:30:00Z', null],
    ['2026-03-29T07:30:00', null],
    ['2026-03-29T24:00:00Z', null],
    ["2026-03-29T07:30:00Z\n", null],
    ['2024-02-29T00:00:00Z', '2024-02-29T00:00:00Z'],
    ['2023-02-29T00:00:00Z', null],
    ['2026-04-31T00:00:00Z', null],
    ['2026-13-01T00:00:00Z', null],
    ['2026-00-10T00:00:00Z', null],
    ['1969-12-31T23:59:59Z', '1969-12-31T23:59:59Z'],
]);

it('goes back to the latest instant since which enough open time has passed', function (string $zone): void {
    mt_srand(crc32("back {$zone}"));
    $calendar = calendar(
        $zone,
        [
            'mon' => [['09:00', '17:00']], 'tue' => [['09:00', '12:00'], ['13:00', '17:00']], 'fri' => [['00:00', '24:00']],
            'sun' => [['01:00', '04:00']],
        ],
        [['date' => '2026-10-26', 'open' => []]]
    );
    for ($round = 0; $round < 200; $round++) {
        $to = Instant::ofEpoch(1_792_000_000 + mt_rand(0, 6_000_000));
        $seconds = mt_rand(1, 400_000);
        $from = $calendar->subtract($to, $seconds);
        expect($calendar->between($from, $to))->toBeGreaterThanOrEqual($seconds)
            ->and($calendar->between(Instant::ofEpoch($from->getTimestamp() + 1), $to))->toBeLessThan($seconds);
    }
    expect($calendar->subtract($to, 0)->getTimestamp())->toBe($to->getTimestamp());
})->with(['Europe/Copenhagen', 'America/New_York', 'Asia/Kathmandu', 'UTC']);

it('adds and goes back by single seconds, and as far as 1,830 days', function (): void {
    $at = Instant::read('2026-11-25T12:00:00Z') ?? throw new LogicException;
    $limit = 1830 * 86_400;
    foreach ([Calendar::always(), calendar('UTC', ['wed' => [['09:00', '17:00']]])] as $calendar) {
        foreach ([1, 2, 3] as $seconds) {
            expect($calendar->add($at, $seconds)->getTimestamp())->toBe($at->getTimestamp() + $seconds)
                ->and($calendar->subtract($at, $seconds)->getTimestamp())->toBe($at->getTimestamp() - $seconds);
        }
    }
    expect(Calendar::always()->subtract($at, $limit)->getTimestamp())->toBe($at->getTimestamp() - $limit)
        ->and(fn () => Calendar::always()->subtract($at, $limit + 1))->toThrow(HoursRefused::class);
});

it('finds the one day that is open within 1,830 days, and none behind it', function (): void {
    $at = Instant::read('2026-01-01T00:00:00Z') ?? throw new LogicException;
    $openOn = static fn (int $days): Calendar => calendar(
        'UTC', [], [['date' => $at->modify("+{$days} days")->format('Y-m-d'), 'open' => [['00:00', '01:00']]]]
    );
    expect($openOn(1829)->add($at, 3600)->getTimestamp())->toBe($at->getTimestamp() + 1829 * 86_400 + 3600)
        ->and(fn () => $openOn(1830)->add($at, 3600))->toThrow(HoursRefused::class)
        ->and(fn () => $openOn(1831)->add($at, 1))->toThrow(HoursRefused::class);
});

it('counts before 1970 as it does behind it', function (): void {
    $week = ['wed' => [['09:00', '17:00']], 'thu' => [['10:00', '11:00']]];
    $from = Instant::read('1969-12-22T10:30:00Z') ?? throw new LogicException;
    foreach (['1969-12-24T12:00:00Z', '1969-12-31T16:00:00Z', '1970-01-01T10:30:00Z', '1970-01-08T10:59:00Z'] as $until) {
        $to = Instant::read($until) ?? throw new LogicException;
        expect(calendar('UTC', $week)->between($from, $to))->toBe(openByLooking('UTC', $week, [], $from, $to));
    }
});

it('counts within one day, from and to anywhere in it', function (): void {
    $day = DaySpans::read([['09:00', '12:00'], ['13:00', '17:00']], 'day');
    expect($day->between(0, 86_400))->toBe($day->seconds)
        ->and($day->seconds)->toBe(7 * 3600)
        ->and($day->between(12 * 3600, 13 * 3600))->toBe(0)
        ->and($day->between(11 * 3600, 14 * 3600))->toBe(2 * 3600)
        ->and(DaySpans::closed()->between(0, 86_400))->toBe(0);
});

it('refuses to go back over time it was never open', function (): void {
    expect(
        fn () => calendar('UTC', ['mon' => [['09:00', '09:01']]])->subtract(Instant::ofEpoch(1_792_000_000), 400 * 3600)
    )->toThrow(HoursRefused::class)
        ->and(fn () => Calendar::always()->subtract(Instant::ofEpoch(1_792_000_000), -1))->toThrow(HoursRefused::class)
        ->and(Calendar::always()->subtract(Instant::ofEpoch(1_792_000_000), 60)->getTimestamp())->toBe(1_792_000_000 - 60);
});

it('refuses what is no calendar, and names the place', function (mixed $calendar, string $at): void {
    try {
        Calendar::read(json_decode((string) json_encode($calendar)));
        $refused = null;
    } catch (HoursRefused $why) {
        $refused = [$why->errorCode(), $why->at()];
    }
    expect($refused)->toBe(['bad_calendar', $at]);
})->with([
    'a list' => [[], 'calendar'],
    'a word' => ['always', 'calendar'],
    'always as a word' => [['always' => 'yes'], 'calendar.always'],
    'no zone' => [['week' => (object) []], 'calendar.timezone'],
    'an offset' => [['timezone' => '+02:00', 'week' => (object) []], 'calendar.timezone'],
    'an abbreviation' => [['timezone' => 'CET0', 'week' => (object) []], 'calendar.timezone'],
    'a zone in small letters' => [['timezone' => 'europe/copenhagen', 'week' => (object) []], 'calendar.timezone'],
    'a week that is a list' => [['timezone' => 'UTC', 'week' => [[]]], 'calendar.week'],
    'a day that is none' => [['timezone' => 'UTC', 'week' => ['monday' => []]], 'calendar.week.monday'],
    'spans that are no list' => [['timezone' => 'UTC', 'week' => ['mon' => '09:00']], 'calendar.week.mon'],
    'half a span' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00']]]], 'calendar.week.mon[0]'],
    'a span in words' => [['timezone' => 'UTC', 'week' => ['mon' => ['09:00-17:00']]], 'calendar.week.mon[0]'],
    'three times for a span' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00', '12:00', '17:00']]]], 'calendar.week.mon[0]'],
    'a span that is an object' => [
        ['timezone' => 'UTC', 'week' => ['mon' => [['from' => '09:00', 'to' => '17:00']]]], 'calendar.week.mon[0]',
    ],
    'a span that ends where it starts' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00', '09:00']]]], 'calendar.week.mon[0]'],
    'a span over midnight' => [['timezone' => 'UTC', 'week' => ['mon' => [['22:00', '02:00']]]], 'calendar.week.mon[0]'],
    'a time of one digit' => [['timezone' => 'UTC', 'week' => ['mon' => [['9:00', '17:00']]]], 'calendar.week.mon[0][0]'],
    'a time of sixty minutes' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00', '16:60']]]], 'calendar.week.mon[0][1]'],
    'a time behind midnight' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00', '24:01']]]], 'calendar.week.mon[0][1]'],
    'a time with a line behind it' => [['timezone' => 'UTC', 'week' => ['mon' => [["09:00\n", '17:00']]]], 'calendar.week.mon[0][0]'],
    'spans that overlap' => [['timezone' => 'UTC', 'week' => ['mon' => [['09:00', '12:00'], ['11:59', '17:00']]]], 'calendar.week.mon'],
    'exceptions that are no list' => [['timezone' => 'UTC', 'week' => (object) [], 'exceptions' => 'none'], 'calendar.exceptions'],
    'an exception that is a bare date' => [
        ['timezone' => 'UTC', 'week' => (object) [], 'exceptions' => ['2026-12-24']], 'calendar.exceptions[0]',
    ],
    'an exception of a day that is none' => [
        ['timezone' => 'UTC', 'week' => (object) [], 'exceptions' => [['date' => '2026-02-29', 'open' => []]]],
        'calendar.exceptions[0].date',
    ],
    'one day twice' => [
        [
            'timezone' => 'UTC', 'week' => (object) [],
            'exceptions' => [['date' => '2026-12-24', 'open' => []], ['date' => '2026-12-24', 'open' => []]],
        ],
        'calendar.exceptions[1].date',
    ],
    'an exception without hours' => [
        ['timezone' => 'UTC', 'week' => (object) [], 'exceptions' => [['date' => '2026-12-24']]], 'calendar.exceptions[0].open',
    ],
]);

it('takes spans in any order, side by side, and to the end of the day', function (): void {
    $from = Instant::read('2026-11-23T00:00:00Z') ?? throw new LogicException;
    $monday = static fn (array $spans): int => calendar('UTC', ['mon' => $spans])->between($from, $from->modify('+1 day'));
    expect($monday([['13:00', '17:00'], ['09:00', '12:00']]))->toBe(7 * 3600)
        ->and($monday([['09:00', '12:00'], ['12:00', '13:00']]))->toBe(4 * 3600)
        ->and($monday([['22:00', '24:00']]))->toBe(2 * 3600)
        ->and($monday([['00:00', '24:00']]))->toBe(86_400)
        ->and($monday([]))->toBe(0);
});

it('counts nothing between an instant and itself, and refuses to count back', function (): void {
    $at = Instant::ofEpoch(1_792_000_000);
    expect(Calendar::always()->between($at, $at))->toBe(0)
        ->and(fn () => Calendar::always()->between($at, $at->modify('-1 second')))->toThrow(HoursRefused::class)
        ->and(fn () => Calendar::always()->add($at, -1))->toThrow(HoursRefused::class)
        ->and(fn () => calendar('UTC', [])->add($at, 1))->toThrow(HoursRefused::class)
        ->and(Calendar::always()->add($at, 0)->getTimestamp())->toBe($at->getTimestamp());
});

it('adds up over any instants in between', function (string $zone): void {
    mt_srand(crc32("sum {$zone}"));
    $calendar = calendar(
        $zone, ['mon' => [['09:00', '17:00']], 'wed' => [['00:00', '24:00']], 'sun' => [['01:30', '03:30']]],
        [['date' => '2026-10-28', 'open' => [['10:00', '10:01']]]]
    );
    for ($round = 0; $round < 200; $round++) {
        $instants = array_map(static fn (): int => 1_792_000_000 + mt_rand(0, 4_000_000), range(1, 5));
        sort($instants);
        $between = static fn (int $from, int $to): int => $calendar->between(Instant::ofEpoch($from), Instant::ofEpoch($to));
        $sum = array_sum(array_map(static fn (int $index): int => $between($instants[$index], $instants[$index + 1]), range(0, 3)));
        expect($between($instants[0], $instants[4]))->toBe($sum);
    }
})->with(['Europe/Copenhagen', 'Australia/Lord_Howe', 'America/St_Johns']);

it('counts thousands of exceptions right, however they are ordered', function (): void {
    mt_srand(7);
    $week = json_decode('{"mon": [["09:00", "17:00"]], "wed": [["00:00", "24:00"]], "sat": [["10:00", "10:30"]]}');
    $exceptions = [];
    for ($day = 0; $day < 3000; $day += mt_rand(1, 3)) {
        $exceptions[] = (object) [
            'date' => gmdate('Y-m-d', 1_500_000_000 + $day * 86_400), 'open' => mt_rand(0, 1) === 0 ? [] : [['08:00', '11:00']],
        ];
    }
    $closed = array_combine(array_column($exceptions, 'date'), array_column($exceptions, 'open'));
    shuffle($exceptions);
    $calendar = Calendar::read((object) ['timezone' => 'UTC', 'week' => $week, 'exceptions' => $exceptions]);
    for ($round = 0; $round < 100; $round++) {
        $from = 1_490_000_000 + mt_rand(0, 300_000_000);
        $to = $from + mt_rand(0, 400_000);
        $open = 0;
        // Minute by minute, as the definition reads.
        for ($at = $from; $at < $to; $at += 60) {
            $day = gmdate('Y-m-d', $at);
            foreach ($closed[$day] ?? $week->{strtolower(gmdate('D', $at))} ?? [] as [$start, $end]) {
                $time = gmdate('H:i', $at);
                $open += $time >= $start && $time < $end ? 60 : 0;
            }
        }
        $whole = $from - $from % 60;
        expect($calendar->between(Instant::ofEpoch($whole), Instant::ofEpoch($whole + (int) ceil(($to - $from) / 60) * 60)))->toBe($open);
    }
});

it('says when it opens and closes next', function (string $at, ?string $opens, ?string $closes): void {
    $office = calendar('Europe/Copenhagen', ['mon' => [['09:00', '12:00'], ['12:00', '17:00']], 'fri' => [['22:00', '24:00']],
        'sat' => [['00:00', '02:00']]], [['date' => '2026-11-30', 'open' => []]]);
    $shown = static fn (?DateTimeImmutable $instant): ?string => $instant === null ? null : Instant::write($instant);
    expect($shown($office->opensAt(new DateTimeImmutable($at))))->toBe($opens)
        ->and($shown($office->closesAt(new DateTimeImmutable($at))))->toBe($closes);
})->with([
    'while open, through spans that touch' => ['2026-11-23T08:30:00Z', '2026-11-23T08:30:00Z', '2026-11-23T16:00:00Z'],
    'as it opens' => ['2026-11-23T08:00:00Z', '2026-11-23T08:00:00Z', '2026-11-23T16:00:00Z'],
    'as it closes' => ['2026-11-23T16:00:00Z', '2026-11-27T21:00:00Z', '2026-11-23T16:00:00Z'],
    'through midnight' => ['2026-11-27T22:30:00Z', '2026-11-27T22:30:00Z', '2026-11-28T01:00:00Z'],
    'over a holiday' => ['2026-11-28T12:00:00Z', '2026-12-04T21:00:00Z', '2026-11-28T12:00:00Z'],
]);

it('says of what never opens, and never closes, that it does not', function (): void {
    $at = new DateTimeImmutable('2026-11-23T08:00:00Z');
    expect(calendar('UTC', [])->opensAt($at))->toBeNull()->and(Calendar::always()->closesAt($at))->toBeNull();
});
