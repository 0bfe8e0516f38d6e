<?php

declare(strict_types=1);

namespace Cairnfield\Core\Hours;

/**
 * The open spans of one date, in seconds since its midnight on the wall clock (0 to 86,400).
 */
final readonly class DaySpans
{
    /**
     * @param  list<array{int, int}>  $spans  in order, apart, each with its start below its end
     */
    private function __construct(public array $spans, public int $seconds) {}

    public static function closed(): self
    {
        return new self([], 0);
    }

    /**
     * @param  mixed  $spans  a list of pairs of `HH:MM`, in any order; `24:00` may be an end
     *
     * @throws HoursRefused `bad_calendar` when it is anything else, or spans overlap
     */
    public static function read(mixed $spans, string $at): self
    {
        if (! is_array($spans)) {
            throw HoursRefused::badCalendar("'{$at}' must be a list of spans.", $at);
        }
        $read = [];
        foreach (array_values($spans) as $index => $span) {
            $read[] = self::readSpan($span, "{$at}[{$index}]");
        }
        sort($read);
        $seconds = 0;
        foreach ($read as $index => [$start, $end]) {
            if ($index > 0 && $start < $read[$index - 1][1]) {
                throw HoursRefused::badCalendar("Spans of '{$at}' overlap.", $at);
            }
            $seconds += $end - $start;
        }

        return new self($read, $seconds);
    }

    /**
     * Open seconds between two times of the day, given in seconds since midnight.
     */
    public function between(int $from, int $to): int
    {
        $seconds = 0;
        foreach ($this->spans as [$start, $end]) {
            $seconds += max(0, min($end, $to) - max($start, $from));
        }

        return $seconds;
    }

    /**
     * @return array{int, int}
     */
    private static function readSpan(mixed $span, string $at): array
    {
        if (! is_array($span) || ! array_is_list($span) || count($span) !== 2) {
            throw HoursRefused::badCalendar("'{$at}' must be a pair of times.", $at);
        }
        $start = self::readTime($span[0], "{$at}[0]");
        $end = self::readTime($span[1], "{$at}[1]");
        if ($start >= $end) {
            throw HoursRefused::badCalendar("'{$at}' does not end after it starts.", $at);
        }

        return [$start, $end];
    }

    private static function readTime(mixed $time, string $at): int
    {
        if (! is_string($time) || preg_match('/^(?:([01]\d|2[0-3]):([0-5]\d)|24:00)$/D', $time, $part) !== 1) {
            throw HoursRefused::badCalendar("'{$at}' must be a time like '09:30'.", $at);
        }

        return isset($part[2]) ? (int) $part[1] * 3600 + (int) $part[2] * 60 : 86_400;
    }
}
