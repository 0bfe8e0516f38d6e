<?php

declare(strict_types=1);

use App\Hours\StoreHours;
use Carbon\CarbonImmutable;

it('counts four hours of the store’s own', function (string $from, string $to): void {
    $after = app(StoreHours::class)->after(CarbonImmutable::parse($from), 4);
    expect($after->toIso8601ZuluString())->toBe($to)
        ->and(app(StoreHours::class)->openBetween(CarbonImmutable::parse($from), $after))->toBe(4 * 3600);
})->with([
    'on a Monday morning' => ['2026-11-23T09:00:00Z', '2026-11-23T13:00:00Z'],
    'in the afternoon, into Tuesday' => ['2026-11-23T15:00:00Z', '2026-11-24T11:00:00Z'],
    'on Friday evening, on Saturday' => ['2026-11-20T18:00:00Z', '2026-11-21T13:00:00Z'],
    'on Sunday, on Monday' => ['2026-11-22T12:00:00Z', '2026-11-23T12:00:00Z'],
    'before Christmas, after it' => ['2026-12-23T15:00:00Z', '2026-12-28T11:00:00Z'],
    'in summer time' => ['2027-07-05T08:00:00Z', '2027-07-05T12:00:00Z'],
]);
