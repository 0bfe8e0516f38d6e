<?php

declare(strict_types=1);

use App\Promises\PromiseStanding;
use App\Hours\StoreHours;
use Carbon\CarbonImmutable;

it('promises an answer within four hours of the store’s own hours', function (string $waitingSince, string $due): void {
    expect(app(StoreHours::class)->dueAt(CarbonImmutable::parse($waitingSince))->toIso8601ZuluString())->toBe($due);
})->with([
    'on a Monday morning' => ['2026-11-23T09:00:00Z', '2026-11-23T13:00:00Z'],
    'in the afternoon, into Tuesday' => ['2026-11-23T15:00:00Z', '2026-11-24T11:00:00Z'],
    'on Friday evening, on Saturday' => ['2026-11-20T18:00:00Z', '2026-11-21T13:00:00Z'],
    'on Sunday, on Monday' => ['2026-11-22T12:00:00Z', '2026-11-23T12:00:00Z'],
    'before Christmas, after it' => ['2026-12-23T15:00:00Z', '2026-12-28T11:00:00Z'],
    'in summer time' => ['2027-07-05T08:00:00Z', '2027-07-05T12:00:00Z'],
]);

it('lets a stone fall for each quarter of the time', function (string $now, int $stones, bool $soon, bool $missed, string $left): void {
    $hours = app(StoreHours::class);
    $since = CarbonImmutable::parse('2026-11-23T09:00:00Z');
    $standing = $hours->standing($since, $hours->dueAt($since), CarbonImmutable::parse($now));
    expect([$standing->stones, $standing->soon, $standing->missed, $standing->timeLeft()])->toBe([$stones, $soon, $missed, $left]);
})->with([
    ['2026-11-23T09:00:00Z', 4, false, false, '4 h 00'],
    ['2026-11-23T10:00:00Z', 3, false, false, '3 h 00'],
    ['2026-11-23T11:30:00Z', 2, false, false, '1 h 30'],
    ['2026-11-23T12:19:00Z', 1, true, false, '41 min'],
    ['2026-11-23T13:00:00Z', 1, true, false, '0 min'],
    ['2026-11-23T13:20:00Z', 0, false, true, '−0 h 20'],
    ['2026-11-26T14:12:00Z', 0, false, true, '−3 d'],
]);

it('says in words what the stones show', function (): void {
    $due = CarbonImmutable::parse('2026-11-23T13:00:00Z');
    expect(PromiseStanding::of(3 * 3600, 4 * 3600, $due, $due->subMinutes(41))->describe())->toBe('1 of 4 stones left, due in 41 min')
        ->and(PromiseStanding::of(5 * 3600, 4 * 3600, $due, $due->addMinutes(72))->describe())->toBe('Promise missed by 1 h 12');
});
