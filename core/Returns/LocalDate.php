<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

use DateTimeImmutable;
use DateTimeZone;

/**
 * Dates as days since 1970-01-01, so that they can be counted.
 */
final class LocalDate
{
    private const DAY = 86_400;

    /**
     * On which date an instant falls in a zone.
     */
    public static function of(DateTimeImmutable $at, DateTimeZone $zone): int
    {
        return intdiv((new DateTimeImmutable($at->setTimezone($zone)->format('Y-m-d').'T00:00:00Z'))->getTimestamp(), self::DAY);
    }

    /**
     * @return string `YYYY-MM-DD`
     */
    public static function write(int $day): string
    {
        return gmdate('Y-m-d', $day * self::DAY);
    }
}
