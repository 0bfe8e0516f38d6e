<?php

declare(strict_types=1);

use App\Promises\PromisedKind;
use App\Promises\PromiseStanding;
use Carbon\CarbonImmutable;

it('lets a stone fall at each of its times, and all when it is missed', function (
    string $now, int $stones, bool $soon, bool $missed, string $left
): void {
    $at = static fn (string $time): int => CarbonImmutable::parse("2026-11-23T{$time}:00Z")->getTimestamp();
    $standing = PromiseStanding::of(
        PromisedKind::FirstReply, [$at('10:00'), $at('11:00'), $at('12:00')], CarbonImmutable::parse('2026-11-23T13:00:00Z'),
        CarbonImmutable::parse($now)
    );
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
    $of = static fn (CarbonImmutable $now): string => PromiseStanding::of(
        PromisedKind::NextReply, [1, 2, 3], $due, $now
    )->describe();
    expect($of($due->subMinutes(41)))->toBe('Next reply: 1 of 4 stones left, due in 41 min')
        ->and($of($due->addMinutes(72)))->toBe('Next reply missed by 1 h 12');
});
