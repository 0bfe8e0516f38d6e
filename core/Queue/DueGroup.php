<?php

declare(strict_types=1);

namespace Cairnfield\Core\Queue;

use DateTimeImmutable;

/**
 * How soon a promise falls due, the soonest first.
 */
enum DueGroup: int
{
    case Missed = 0;
    case WithinTheHour = 1;
    case Today = 2;
    case Later = 3;

    private const SOON = 3600;

    /**
     * @param  DateTimeImmutable|null  $dueAt  null where no promise runs
     * @param  DateTimeImmutable  $endOfDay  the last moment of the team's day
     */
    public static function of(?DateTimeImmutable $dueAt, DateTimeImmutable $now, DateTimeImmutable $endOfDay): self
    {
        return match (true) {
            $dueAt === null => self::Later,
            $dueAt <= $now => self::Missed,
            $dueAt->getTimestamp() - $now->getTimestamp() <= self::SOON => self::WithinTheHour,
            $dueAt <= $endOfDay => self::Today,
            default => self::Later,
        };
    }

    /**
     * Until when what falls due belongs to this group; null for the last one.
     */
    public function until(DateTimeImmutable $now, DateTimeImmutable $endOfDay): ?DateTimeImmutable
    {
        return match ($this) {
            self::Missed => $now,
            self::WithinTheHour => $now->modify('+'.self::SOON.' seconds'),
            self::Today => $endOfDay,
            self::Later => null,
        };
    }
}
