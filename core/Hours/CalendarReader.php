<?php

declare(strict_types=1);

namespace Cairnfield\Core\Hours;

use DateTimeZone;
use stdClass;

/**
 * Reads the parts of a calendar and refuses what does not fit, naming the place.
 *
 * @internal
 */
final class CalendarReader
{
    /** In the order in which the days since 1970-01-01, a Thursday, come round. */
    private const WEEKDAYS = ['thu', 'fri', 'sat', 'sun', 'mon', 'tue', 'wed'];

    public static function zone(mixed $name, string $at): DateTimeZone
    {
        // PHP would also take offsets and abbreviations, which have no clock changes of their own.
        if (! is_string($name) || ! in_array($name, DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC), true)) {
            throw HoursRefused::badCalendar("'{$at}' must be a time zone like 'Europe/Copenhagen' (IANA).", $at);
        }

        return new DateTimeZone($name);
    }

    /**
     * @return list<DaySpans>
     */
    public static function week(mixed $week, string $at): array
    {
        $week ??= new stdClass;
        if (! $week instanceof stdClass) {
            throw HoursRefused::badCalendar("'{$at}' must be an object of weekdays.", $at);
        }
        foreach (array_keys(get_object_vars($week)) as $name) {
            if (! in_array($name, self::WEEKDAYS, true)) {
                throw HoursRefused::badCalendar("'{$name}' is no weekday: use mon, tue … sun.", "{$at}.{$name}");
            }
        }

        return array_map(
            static fn (string $name): DaySpans => isset($week->{$name})
                ? DaySpans::read($week->{$name}, "{$at}.{$name}")
                : DaySpans::closed(),
            self::WEEKDAYS,
        );
    }

    /**
     * @return array<int, DaySpans> by days since 1970-01-01
     */
    public static function exceptions(mixed $exceptions, string $at): array
    {
        $exceptions ??= [];
        if (! is_array($exceptions)) {
            throw HoursRefused::badCalendar("'{$at}' must be a list.", $at);
        }
        $byDay = [];
        foreach (array_values($exceptions) as $index => $exception) {
            if (! $exception instanceof stdClass) {
                throw HoursRefused::badCalendar("'{$at}[{$index}]' must be an object.", "{$at}[{$index}]");
            }
            $day = self::day($exception->date ?? null, "{$at}[{$index}].date");
            if (isset($byDay[$day])) {
                throw HoursRefused::badCalendar("'{$at}[{$index}].date' comes twice.", "{$at}[{$index}].date");
            }
            $byDay[$day] = DaySpans::read($exception->open ?? null, "{$at}[{$index}].open");
        }

        return $byDay;
    }

    private static function day(mixed $date, string $at): int
    {
        $midnight = is_string($date) ? Instant::read("{$date}T00:00:00Z") : null;
        if ($midnight === null) {
            throw HoursRefused::badCalendar("'{$at}' must be a date like '2026-12-24'.", $at);
        }

        return intdiv($midnight->getTimestamp(), 86_400);
    }
}
