<?php

declare(strict_types=1);

namespace Cairnfield\Core\Hours;

use DateTimeImmutable;
use DateTimeZone;

/**
 * Instants as text: RFC 3339 in whole seconds. Read with any offset, written in UTC with `Z`.
 */
final class Instant
{
    private const PATTERN = '/^(\d{4})-(\d{2})-(\d{2})[Tt]([01]\d|2[0-3]):([0-5]\d):([0-5]\d)([Zz]|[+-]([01]\d|2[0-3]):[0-5]\d)$/D';

    /**
     * @return DateTimeImmutable|null in UTC; null when the text is no such instant
     */
    public static function read(string $text): ?DateTimeImmutable
    {
        if (preg_match(self::PATTERN, $text, $part) !== 1
            || ! checkdate((int) $part[2], (int) $part[3], (int) $part[1])) {
            return null;
        }

        return (new DateTimeImmutable(strtoupper($text)))->setTimezone(new DateTimeZone('UTC'));
    }

    public static function write(DateTimeImmutable $instant): string
    {
        return $instant->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    /**
     * @param  int  $seconds  since 1970-01-01T00:00:00Z
     */
    public static function ofEpoch(int $seconds): DateTimeImmutable
    {
        return (new DateTimeImmutable('@'.$seconds))->setTimezone(new DateTimeZone('UTC'));
    }
}
