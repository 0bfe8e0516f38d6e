<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

use Cairnfield\Core\Hours\HoursRefused;
use DateTimeImmutable;
use DateTimeZone;

/**
 * Until when something may come back, in local dates: counted from the date of delivery; where that is unknown, from the date of
 * sending plus the days that a parcel takes.
 */
final readonly class ReturnWindow
{
    /**
     * @param  int|null  $firstDay  as days since 1970-01-01, as is the last; null where it is not sent yet
     * @param  bool  $allowed  whether it may still come back; before the first day, too
     * @param  int|null  $daysLeft  0 or more; null where it is not sent yet
     */
    private function __construct(
        public CountedFrom $from, public ?int $firstDay, public ?int $lastDay, public bool $allowed, public ?int $daysLeft
    ) {}

    /**
     * @param  DateTimeZone  $zone  in which dates are meant
     *
     * @throws HoursRefused `calendar_never_opens` where no open day follows the last one within 1,830 days
     */
    public static function of(
        ReturnPolicy $policy, DateTimeZone $zone, DateTimeImmutable $requestedAt, ?DateTimeImmutable $shippedAt,
        ?DateTimeImmutable $deliveredAt
    ): self {
        $from = match (true) {
            $deliveredAt !== null => CountedFrom::Delivered,
            $shippedAt !== null => CountedFrom::Shipped,
            default => CountedFrom::Unshipped,
        };
        $first = match (true) {
            $deliveredAt !== null => LocalDate::of($deliveredAt, $zone),
            $shippedAt !== null => LocalDate::of($shippedAt, $zone) + $policy->transitDays,
            default => null,
        };
        if ($first === null) {
            return new self($from, null, null, true, null);
        }
        $last = $first + $policy->days;
        $last = $policy->openDays?->openDayFrom($last) ?? $last;
        $requested = LocalDate::of($requestedAt, $zone);

        return new self($from, $first, $last, $requested <= $last, max(0, $last - $requested));
    }
}
