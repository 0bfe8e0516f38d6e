<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Input\BadInput;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;

/**
 * A date of the calendar, without a time and in no zone.
 */
final readonly class Day
{
    private function __construct(public DateTimeImmutable $midnight) {}

    /**
     * @param  string  $date  as ISO 8601 has it: `2026-11-24`
     *
     * @throws BadInput when there is no such date
     */
    public static function of(string $date, string $at = 'date'): self
    {
        $day = DateTimeImmutable::createFromFormat('!Y-m-d', $date, new DateTimeZone('UTC'));

        return $day !== false && $day->format('Y-m-d') === $date
            ? new self($day)
            : throw BadInput::expected('a date such as 2026-11-24', $at);
    }

    /**
     * The date that a moment falls on somewhere.
     */
    public static function at(DateTimeInterface $moment, DateTimeZone $zone): self
    {
        return self::of(DateTimeImmutable::createFromInterface($moment)->setTimezone($zone)->format('Y-m-d'));
    }
}
