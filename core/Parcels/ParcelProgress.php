<?php

declare(strict_types=1);

namespace Cairnfield\Core\Parcels;

use DateTimeImmutable;
use DateTimeZone;

/**
 * Where a parcel stands by its scans: its latest stage, and for how many days nobody has seen it.
 */
final readonly class ParcelProgress
{
    /** From so many whole days without a scan on, a parcel counts as one that has stopped. */
    public const STOPPED_AFTER = 3;

    /**
     * @param  array<string, ParcelScan>  $reached  the first scan of each stage, by the stage, in order of time
     * @param  DateTimeImmutable|null  $unseenSince  when it was last seen; null where it is not waited for
     */
    private function __construct(
        public ?ParcelScan $last,
        public array $reached,
        public int $daysWithoutScan,
        public bool $stopped,
        public ?DateTimeImmutable $unseenSince,
    ) {}

    /**
     * Days are counted by the calendar of the zone: last seen on Monday, it is two days on Wednesday.
     * A parcel that has arrived, came back or is lost is not waited for: it counts none.
     *
     * @param  DateTimeImmutable|null  $announcedAt  when it was handed over, where no scan tells
     */
    public static function of(DateTimeImmutable $now, DateTimeZone $zone, ?DateTimeImmutable $announcedAt, ParcelScan ...$scans): self
    {
        usort($scans, static fn (ParcelScan $a, ParcelScan $b): int => $a->at <=> $b->at);
        $reached = [];
        foreach ($scans as $scan) {
            $reached[$scan->stage->value] ??= $scan;
        }
        $last = $scans === [] ? null : $scans[count($scans) - 1];
        $seen = $last !== null ? $last->at : $announcedAt;
        $isOver = $last !== null && $last->stage->isFinal();
        $days = $seen === null || $isOver ? 0 : self::daysBetween($seen, $now, $zone);

        return new self($last, $reached, $days, $days >= self::STOPPED_AFTER, $isOver ? null : $seen);
    }

    private static function daysBetween(DateTimeImmutable $from, DateTimeImmutable $to, DateTimeZone $zone): int
    {
        $day = static fn (DateTimeImmutable $at): DateTimeImmutable => new DateTimeImmutable(
            $at->setTimezone($zone)->format('Y-m-d'), new DateTimeZone('UTC')
        );

        return max(0, intdiv($day($to)->getTimestamp() - $day($from)->getTimestamp(), 86_400));
    }
}
