<?php

declare(strict_types=1);

namespace App\Team;

/**
 * Whether somebody can be given something.
 */
enum Availability: string
{
    case Here = 'here';

    /** Finishes what they have, and gets nothing new. */
    case Busy = 'busy';

    case Pause = 'pause';

    /** Until a time, or until they say otherwise. */
    case Away = 'away';

    /** Outside of the hours in which they work. */
    case Off = 'off';

    public function label(): string
    {
        return match ($this) {
            self::Here => 'here',
            self::Busy => 'busy, nothing new',
            self::Pause => 'on a break',
            self::Away => 'away',
            self::Off => 'not at work now',
        };
    }

    /**
     * Those that somebody says of themselves.
     *
     * @return list<self>
     */
    public static function said(): array
    {
        return [self::Here, self::Busy, self::Pause];
    }
}
