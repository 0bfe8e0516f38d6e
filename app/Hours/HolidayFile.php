<?php

declare(strict_types=1);

namespace App\Hours;

use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\EventIterator;
use Throwable;

/**
 * The whole days of an iCalendar file (RFC 5545): public holidays, as governments and others publish them. Those that come
 * again each year are read for the years to come.
 */
final readonly class HolidayFile
{
    public const LARGEST = 2 * 1024 * 1024;

    private const YEARS_AHEAD = 5;

    private const LONGEST_DAYS = 60;

    private const MOST_ENTRIES = 20_000;

    /**
     * @param  array<string, string>  $holidays  names by date, in the order of the dates
     * @param  int  $withTime  entries that are not whole days
     * @param  int  $outside  days that are over, or too far ahead
     */
    private function __construct(public string $name, public array $holidays, public int $withTime, public int $outside) {}

    /**
     * @throws HoursNotSaved when it cannot be read, or holds no whole day
     */
    public static function read(string $content, string $name, CarbonImmutable $now): self
    {
        if (strlen($content) > self::LARGEST) {
            throw HoursNotSaved::badFile('it has more than 2 MB.');
        }
        try {
            $calendar = Reader::read($content, Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES);
        } catch (ParseException) {
            throw HoursNotSaved::badFile('it is no iCalendar file (.ics).');
        }
        if (! $calendar instanceof VCalendar) {
            throw HoursNotSaved::badFile('it is no calendar.');
        }
        $events = $calendar->select('VEVENT');
        if (count($events) > self::MOST_ENTRIES) {
            throw HoursNotSaved::badFile('it has more than '.number_format(self::MOST_ENTRIES).' entries.');
        }
        $from = $now->startOfYear()->format('Y-m-d');
        $until = $now->addYears(self::YEARS_AHEAD)->endOfYear()->format('Y-m-d');
        $holidays = [];
        $withTime = $outside = 0;
        foreach ($events as $event) {
            $start = $event instanceof VEvent ? self::property($event, 'DTSTART') : null;
            if (! $event instanceof VEvent || ! $start instanceof DateTime || $start->hasTime()) {
                $withTime++;

                continue;
            }
            $title = trim((string) preg_replace('/\s+/u', ' ', (string) self::property($event, 'SUMMARY')));
            foreach (self::daysOf($event, $start, $until) as $date) {
                if ($date < $from || $date > $until) {
                    $outside++;
                } else {
                    $holidays[$date] ??= mb_substr($title, 0, 120);
                }
            }
        }
        if ($holidays === []) {
            throw HoursNotSaved::badFile($outside > 0 ? 'all its days are over, or too far ahead.' : 'it holds no whole days.');
        }
        ksort($holidays);

        return new self(mb_substr($name, 0, 120), $holidays, $withTime, $outside);
    }

    /**
     * @return list<string> dates
     */
    private static function daysOf(VEvent $event, DateTime $start, string $until): array
    {
        try {
            $first = $start->getDateTime(new DateTimeZone('UTC'));
            $length = self::lengthOf($event, $first);
            $starts = [$first];
            if (self::property($event, 'RRULE') !== null || self::property($event, 'RDATE') !== null) {
                $starts = [];
                // Each occurrence by itself: a rule without an end is followed for as long as hours are looked up.
                for ($again = new EventIterator([$event], null, new DateTimeZone('UTC')); $again->valid(); $again->next()) {
                    $at = $again->getDtStart();
                    if ($at === null || $at->format('Y-m-d') > $until || count($starts) > self::MOST_ENTRIES) {
                        break;
                    }
                    $starts[] = DateTimeImmutable::createFromInterface($at);
                }
            }
        } catch (Throwable) {
            // A rule or a date that cannot be read, in one entry of many.
            return [];
        }
        $days = [];
        foreach ($starts as $one) {
            for ($day = 0; $day < $length; $day++) {
                $days[] = $one->modify("+{$day} days")->format('Y-m-d');
            }
        }

        return $days;
    }

    /**
     * The end of whole days is the day after (RFC 5545, 3.6.1); left out it is one day.
     */
    private static function lengthOf(VEvent $event, DateTimeImmutable $start): int
    {
        $end = self::property($event, 'DTEND');
        if (! $end instanceof DateTime) {
            return 1;
        }

        return max(1, min(self::LONGEST_DAYS, (int) $start->diff($end->getDateTime(new DateTimeZone('UTC')))->format('%r%a')));
    }

    private static function property(VEvent $event, string $name): ?Property
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof Property ? $found : null;
    }
}
