<?php

declare(strict_types=1);

namespace Cairnfield\Core\Hours;

use DateTimeImmutable;
use DateTimeZone;
use stdClass;

/**
 * When the team works: weekly spans on the wall clock of one time zone, with exceptions by date; or
 * plain clock time.
 *
 * An instant is open when the spans of its local date contain its local time of day: the start
 * counts, the end does not. Clock changes need no rule of their own: the time line is cut where the
 * zone's offset changes (IANA time zone data, as shipped with PHP), and inside each piece local
 * time and UTC run in step.
 */
final readonly class Calendar
{
    private const LIMIT_DAYS = 1_830;

    private const LIMIT = self::LIMIT_DAYS * 86_400;

    private const DAY = 86_400;

    /**
     * @param  list<DaySpans>  $week  seven, Thursday first, as 1970-01-01 was a Thursday
     * @param  array<int, DaySpans>  $exceptions  by days since 1970-01-01, in their order
     * @param  list<int>  $exceptionDays
     * @param  list<int>  $moreUpTo  for each of these days, how much longer than by the week all before it are open together
     */
    private function __construct(
        private ?DateTimeZone $zone,
        private array $week,
        private array $exceptions,
        private int $weekSeconds,
        private array $exceptionDays = [],
        private array $moreUpTo = [],
    ) {}

    /**
     * Open without a break.
     */
    public static function always(): self
    {
        return new self(null, [], [], 0);
    }

    /**
     * @param  mixed  $calendar  `{"timezone", "week", "exceptions"}` or `{"always": true}` as decoded
     *                           from JSON, objects as stdClass
     *
     * @throws HoursRefused `bad_calendar` when it is anything else
     */
    public static function read(mixed $calendar, string $at = 'calendar'): self
    {
        if (! $calendar instanceof stdClass) {
            throw HoursRefused::badCalendar("'{$at}' is no calendar.", $at);
        }
        $always = $calendar->always ?? false;
        if (! is_bool($always)) {
            throw HoursRefused::badCalendar("'{$at}.always' must be true or false.", "{$at}.always");
        }
        if ($always) {
            return self::always();
        }
        $week = CalendarReader::week($calendar->week ?? null, "{$at}.week");
        $zone = CalendarReader::zone($calendar->timezone ?? null, "{$at}.timezone");
        $exceptions = CalendarReader::exceptions($calendar->exceptions ?? null, "{$at}.exceptions");
        ksort($exceptions);
        $more = 0;
        $moreUpTo = [];
        foreach ($exceptions as $day => $spans) {
            $moreUpTo[] = $more;
            $more += $spans->seconds - $week[self::placeInWeek($day)]->seconds;
        }

        return new self(
            $zone, $week, $exceptions, array_sum(array_map(static fn (DaySpans $day): int => $day->seconds, $week)),
            array_keys($exceptions), $moreUpTo,
        );
    }

    /**
     * Open seconds from one instant to another.
     *
     * @throws HoursRefused `bad_range` when `to` is before `from`
     */
    public function between(DateTimeImmutable $from, DateTimeImmutable $to): int
    {
        if ($to < $from) {
            throw HoursRefused::toBeforeFrom();
        }

        return $this->openSeconds($from->getTimestamp(), $to->getTimestamp());
    }

    /**
     * The earliest instant, not before `from`, by which that many open seconds have passed.
     *
     * @param  int  $seconds  0 or more; 0 gives `from` itself
     *
     * @throws HoursRefused `bad_range` when `seconds` is negative, `calendar_never_opens` when the
     *                      calendar does not open for that long within 1,830 × 86,400 seconds
     */
    public function add(DateTimeImmutable $from, int $seconds): DateTimeImmutable
    {
        if ($seconds < 0) {
            throw HoursRefused::negativeSeconds();
        }
        $start = $from->getTimestamp();
        $left = $seconds;
        foreach ($left === 0 ? [] : $this->pieces($start, $start + self::LIMIT) as [$begin, $end, $offset]) {
            $open = $this->openIn($begin, $end, $offset);
            if ($open >= $left) {
                return Instant::ofEpoch($this->whenOpenFor($left, $begin, $end, $offset));
            }
            $left -= $open;
        }

        return $left === 0 ? Instant::ofEpoch($start) : throw HoursRefused::neverOpens();
    }

    /**
     * In a piece of time without a clock change that is open for so many seconds or more.
     */
    private function whenOpenFor(int $seconds, int $from, int $to, ?int $offset): int
    {
        // Open seconds never fall as time goes on, so the first instant that has enough can be halved in on.
        $low = $from;
        $high = $to;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->openIn($from, $middle, $offset) < $seconds) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $high;
    }

    /**
     * The latest instant, not after `to`, since which that many open seconds have passed by `to`.
     *
     * @param  int  $seconds  0 or more; 0 gives `to` itself
     *
     * @throws HoursRefused `bad_range` when `seconds` is negative, `calendar_never_opens` when the
     *                      calendar was not open for that long within 1,830 × 86,400 seconds
     */
    public function subtract(DateTimeImmutable $to, int $seconds): DateTimeImmutable
    {
        if ($seconds < 0) {
            throw HoursRefused::negativeSeconds();
        }
        $end = $to->getTimestamp();
        if ($seconds === 0) {
            return Instant::ofEpoch($end);
        }
        if ($seconds > self::LIMIT || $this->openSeconds($end - self::LIMIT, $end) < $seconds) {
            throw HoursRefused::neverOpens();
        }
        // Going back, open seconds never fall, so the latest instant that has enough can be halved in on.
        $low = 0;
        $high = self::LIMIT;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->openSeconds($end - $middle, $end) < $seconds) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return Instant::ofEpoch($end - $high);
    }

    /**
     * The instant itself where it is open, else the next one at which it opens.
     *
     * @return DateTimeImmutable|null null where it does not open within 1,830 × 86,400 seconds
     */
    public function opensAt(DateTimeImmutable $at): ?DateTimeImmutable
    {
        try {
            return Instant::ofEpoch($this->add($at, 1)->getTimestamp() - 1);
        } catch (HoursRefused) {
            return null;
        }
    }

    /**
     * The instant itself where it is closed, else the next one at which it closes. Spans that touch are one.
     *
     * @return DateTimeImmutable|null null where it does not close within 1,830 × 86,400 seconds
     */
    public function closesAt(DateTimeImmutable $at): ?DateTimeImmutable
    {
        $start = $at->getTimestamp();
        $low = 0;
        $high = self::DAY;
        while ($this->openSeconds($start, $start + $high) === $high) {
            if ($high === self::LIMIT) {
                return null;
            }
            $low = $high;
            $high = min(self::LIMIT, $high * 2);
        }
        // Closed seconds never fall as time goes on, so the first one can be halved in on.
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->openSeconds($start, $start + $middle) < $middle) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return Instant::ofEpoch($start + $high - 1);
    }

    /**
     * The date itself where it has an open span, else the next one that has: by the week and the exceptions for that date, whatever
     * the calendar's zone.
     *
     * @param  int  $day  days since 1970-01-01
     *
     * @throws HoursRefused `calendar_never_opens` when none has within 1,830 days
     */
    public function openDayFrom(int $day): int
    {
        for ($at = $day; $at <= $day + self::LIMIT_DAYS; $at++) {
            if ($this->zone === null || ($this->exceptions[$at] ?? $this->week[self::placeInWeek($at)])->seconds > 0) {
                return $at;
            }
        }

        throw HoursRefused::neverOpens();
    }

    private function openSeconds(int $from, int $to): int
    {
        $seconds = 0;
        foreach ($this->pieces($from, $to) as [$start, $end, $offset]) {
            $seconds += $this->openIn($start, $end, $offset);
        }

        return $seconds;
    }

    /**
     * The time cut where the zone's offset changes.
     *
     * @return list<array{int, int, int|null}> from, to, and the offset in seconds; null in plain clock time
     */
    private function pieces(int $from, int $to): array
    {
        if ($this->zone === null || $from === $to) {
            return [[$from, $to, null]];
        }
        $changes = $this->zone->getTransitions($from, $to) ?: [];
        $pieces = [];
        foreach ($changes as $index => $change) {
            $start = max($from, $change['ts']);
            $end = min($to, $changes[$index + 1]['ts'] ?? $to);
            if ($start < $end) {
                $pieces[] = [$start, $end, $change['offset']];
            }
        }

        return $pieces;
    }

    private function openIn(int $from, int $to, ?int $offset): int
    {
        return $offset === null ? $to - $from : $this->openOnWallClock($from + $offset, $to + $offset);
    }

    /**
     * Open seconds between two wall-clock times with no clock change between them, both in seconds
     * since 1970-01-01T00:00 on that clock.
     */
    private function openOnWallClock(int $from, int $to): int
    {
        return $this->openUpTo($to) - $this->openUpTo($from);
    }

    /**
     * Open seconds since 1970-01-01T00:00 on the wall clock, less than none before it; only differences of two say something.
     */
    private function openUpTo(int $wall): int
    {
        $day = self::floorDivide($wall, self::DAY);
        $place = $this->exceptionsBefore($day);
        $more = $this->moreUpTo[$place] ?? $this->moreInAll();
        if (($this->exceptionDays[$place] ?? null) === $day) {
            $time = $wall - $day * self::DAY;
            $more += $this->exceptions[$day]->between(0, $time) - $this->weekday($day)->between(0, $time);
        }

        return $this->openByWeek($wall) + $more;
    }

    /**
     * How many exceptions are on days before it. Thousands are halved in on: holidays of many years can have been imported.
     */
    private function exceptionsBefore(int $day): int
    {
        $low = 0;
        $high = count($this->exceptionDays);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->exceptionDays[$middle] < $day) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    private function moreInAll(): int
    {
        $last = count($this->exceptionDays) - 1;
        if ($last < 0) {
            return 0;
        }
        $day = $this->exceptionDays[$last];

        return $this->moreUpTo[$last] + $this->exceptions[$day]->seconds - $this->weekday($day)->seconds;
    }

    /**
     * Open seconds by the week alone since 1970-01-01T00:00 on the wall clock (negative before it).
     */
    private function openByWeek(int $wall): int
    {
        $day = self::floorDivide($wall, self::DAY);
        $weeks = self::floorDivide($day, 7);
        $seconds = $weeks * $this->weekSeconds;
        for ($passed = $weeks * 7; $passed < $day; $passed++) {
            $seconds += $this->weekday($passed)->seconds;
        }

        return $seconds + $this->weekday($day)->between(0, $wall - $day * self::DAY);
    }

    private function weekday(int $day): DaySpans
    {
        return $this->week[self::placeInWeek($day)];
    }

    private static function placeInWeek(int $day): int
    {
        return $day - self::floorDivide($day, 7) * 7;
    }

    private static function floorDivide(int $number, int $by): int
    {
        return intdiv($number, $by) - ($number % $by < 0 ? 1 : 0);
    }
}
