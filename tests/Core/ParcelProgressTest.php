<?php

declare(strict_types=1);

use Cairnfield\Core\Parcels\ParcelProgress;
use Cairnfield\Core\Parcels\ParcelScan;
use Cairnfield\Core\Parcels\ParcelStage;

function scan(ParcelStage $stage, string $at): ParcelScan
{
    return new ParcelScan($stage, new DateTimeImmutable($at));
}

function progress(string $now, ?string $announced, ParcelScan ...$scans): ParcelProgress
{
    return ParcelProgress::of(
        new DateTimeImmutable($now),
        new DateTimeZone('Europe/Copenhagen'),
        $announced === null ? null : new DateTimeImmutable($announced),
        ...$scans,
    );
}

it('counts days without a scan by the calendar of the store', function (): void {
    // 23:30 UTC on the 18th is the 19th in Copenhagen.
    $late = scan(ParcelStage::AtDepot, '2026-11-18T23:30:00Z');
    expect(progress('2026-11-23T08:00:00Z', null, $late)->daysWithoutScan)->toBe(4)
        ->and(progress('2026-11-23T23:30:00Z', null, $late)->daysWithoutScan)->toBe(5);
});

it('counts over a clock change', function (): void {
    expect(progress('2026-10-26T08:00:00Z', null, scan(ParcelStage::AtDepot, '2026-10-24T08:00:00Z'))->daysWithoutScan)->toBe(2);
});

it('says that a parcel has stopped, and not one that has arrived', function (): void {
    $atDepot = scan(ParcelStage::AtDepot, '2026-11-19T08:00:00Z');
    expect(progress('2026-11-21T08:00:00Z', null, $atDepot)->stopped)->toBeFalse()
        ->and(progress('2026-11-22T08:00:00Z', null, $atDepot)->stopped)->toBeTrue()
        ->and(progress('2026-12-22T08:00:00Z', null, $atDepot, scan(ParcelStage::Delivered, '2026-11-20T08:00:00Z'))->daysWithoutScan)->toBe(0);
});

it('takes scans in any order, and counts from the handing over where there are none', function (): void {
    $progress = progress('2026-11-20T08:00:00Z', null, scan(ParcelStage::AtDepot, '2026-11-19T08:00:00Z'), scan(ParcelStage::Collected, '2026-11-18T08:00:00Z'));
    expect($progress->last->stage)->toBe(ParcelStage::AtDepot)
        ->and(array_keys($progress->reached))->toBe(['collected', 'at_depot'])
        ->and(progress('2026-11-20T08:00:00Z', '2026-11-16T08:00:00Z')->daysWithoutScan)->toBe(4)
        ->and(progress('2026-11-20T08:00:00Z', null)->daysWithoutScan)->toBe(0);
});
