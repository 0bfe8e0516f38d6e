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
        ->and(progress('2026-12-22T08:00:00Z', null, $atDepot, scan(ParcelStage::Delivered, '2026-11-20T08:00:00Z'))->daysWithoutScan)
        ->toBe(0);
});

it('counts none for a scan that is dated ahead, and one by the day alone', function (): void {
    expect(progress('2026-11-20T08:00:00Z', null, scan(ParcelStage::AtDepot, '2026-11-22T08:00:00Z'))->daysWithoutScan)->toBe(0)
        ->and(progress('2026-11-20T23:30:00Z', null, scan(ParcelStage::AtDepot, '2026-11-20T22:30:00Z'))->daysWithoutScan)->toBe(1)
        ->and(progress('2026-11-20T22:30:00Z', null, scan(ParcelStage::AtDepot, '2026-11-19T23:30:00Z'))->daysWithoutScan)->toBe(0);
});

it('takes scans in any order, and counts from the handing over where there are none', function (): void {
    $progress = progress(
        '2026-11-20T08:00:00Z', null, scan(ParcelStage::AtDepot, '2026-11-19T08:00:00Z'),
        scan(ParcelStage::Collected, '2026-11-18T08:00:00Z')
    );
    expect($progress->last->stage)->toBe(ParcelStage::AtDepot)
        ->and(array_keys($progress->reached))->toBe(['collected', 'at_depot'])
        ->and(progress('2026-11-20T08:00:00Z', '2026-11-16T08:00:00Z')->daysWithoutScan)->toBe(4)
        ->and(progress('2026-11-20T08:00:00Z', null)->daysWithoutScan)->toBe(0);
});

it('stands where its latest scan says, in whatever order they are given', function (): void {
    mt_srand(77);
    for ($round = 0; $round < 200; $round++) {
        $scans = array_map(
            static fn (): ParcelScan => scan(
                ParcelStage::cases()[mt_rand(0, count(ParcelStage::cases()) - 1)],
                '2026-11-'.mt_rand(10, 22).'T'.sprintf('%02d:%02d:00Z', mt_rand(0, 23), mt_rand(0, 59))
            ),
            range(1, mt_rand(1, 6))
        );
        $sorted = $scans;
        usort($sorted, static fn (ParcelScan $a, ParcelScan $b): int => $a->at <=> $b->at);
        $progress = progress('2026-11-23T12:00:00Z', null, ...$scans);
        $last = end($sorted);
        $isWaitedFor = ! in_array($last->stage, [ParcelStage::Delivered, ParcelStage::ReturnedToSender, ParcelStage::Lost], true);
        expect($progress->last?->at)->toEqual($last->at)
            ->and($progress->stopped)->toBe($progress->daysWithoutScan >= ParcelProgress::STOPPED_AFTER)
            ->and($progress->daysWithoutScan > 0)
            ->toBe($isWaitedFor && $last->at->setTimezone(new DateTimeZone('Europe/Copenhagen'))->format('Y-m-d') < '2026-11-23')
            ->and($progress->unseenSince === null)->toBe(! $isWaitedFor);
        foreach ($progress->reached as $stage => $first) {
            $ofStage = array_filter($sorted, static fn (ParcelScan $one): bool => $one->stage->value === $stage);
            expect($first->at)->toEqual(reset($ofStage)->at);
        }
    }
});
