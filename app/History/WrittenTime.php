<?php

declare(strict_types=1);

namespace App\History;

use Carbon\CarbonImmutable;
use Throwable;

/**
 * A time as files have it: RFC 3339, a date alone, `29.03.2024 07:30`, `29/03/2024` where it can only be read in one way, RFC 5322 as in
 * mail, or seconds (10 digits) or milliseconds (13) since 1970. Without a zone it is UTC.
 */
final class WrittenTime
{
    private const RFC_3339 = '/^\d{4}-\d\d-\d\d(?:[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?\s?(?:Z|[+-]\d\d:?\d\d)?)?$/D';

    private const MAIL = '/^(?:\p{L}{3}, )?\d{1,2} \p{L}{3} \d{4} \d\d:\d\d(?::\d\d)? (?:[+-]\d{4}|GMT|UTC)$/Du';

    private const CLOCK = '(?:[T ,]+(\d{1,2}):(\d\d)(?::(\d\d)(?:\.\d+)?)?)?';

    /**
     * @return CarbonImmutable|null null where it is none, or can be read in two ways
     */
    public static function read(string $written): ?CarbonImmutable
    {
        $written = trim($written);
        try {
            return match (true) {
                preg_match('/^\d{10}$/D', $written) === 1 => CarbonImmutable::createFromTimestampUTC((int) $written),
                preg_match('/^\d{13}$/D', $written) === 1 => CarbonImmutable::createFromTimestampUTC(intdiv((int) $written, 1000)),
                preg_match(self::RFC_3339, $written) === 1, preg_match(self::MAIL, $written) === 1 => self::exactly($written),
                preg_match('#^(\d{1,2})([./])(\d{1,2})\2(\d{4})'.self::CLOCK.'$#D', $written, $parts) === 1 => self::dayFirst($parts),
                default => null,
            };
        } catch (Throwable) {
            return null;
        }
    }

    /**
     * The thirtieth of February is none.
     */
    private static function exactly(string $written): ?CarbonImmutable
    {
        $parsed = date_parse($written);

        return $parsed['error_count'] + $parsed['warning_count'] > 0 ? null : CarbonImmutable::parse($written, 'UTC')->utc();
    }

    /**
     * @param  array<int, string>  $parts
     */
    private static function dayFirst(array $parts): ?CarbonImmutable
    {
        [$first, $second, $year] = [(int) $parts[1], (int) $parts[3], (int) $parts[4]];
        // With dots the day always stands first; with slashes either may.
        [$day, $month] = $parts[2] === '/' && $second > 12 ? [$second, $first] : [$first, $second];
        $isClear = $parts[2] === '.' || $first === $second || $first > 12 || $second > 12;
        [$hour, $minute, $seconds] = [(int) ($parts[5] ?? 0), (int) ($parts[6] ?? 0), (int) ($parts[7] ?? 0)];

        return $isClear && checkdate($month, $day, $year) && $hour < 24 && $minute < 60 && $seconds < 60
            ? CarbonImmutable::create($year, $month, $day, $hour, $minute, $seconds, 'UTC')
            : null;
    }
}
