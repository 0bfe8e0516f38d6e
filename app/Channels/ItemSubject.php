<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What an item without a subject is called in the queue: how it begins.
 */
final class ItemSubject
{
    private const LONGEST = 70;

    public static function of(string $text): string
    {
        // Before it is put into one line and cut: half of a number would not be known again.
        $text = app(RedactArrival::class)->plain($text);
        $line = trim((string) preg_replace('/\s+/u', ' ', (string) preg_replace('/^(?:\s*@[\w.]+)+/u', '', $text)));
        if (mb_strlen($line) <= self::LONGEST) {
            return $line === '' ? trim($text) : $line;
        }
        $begins = mb_substr($line, 0, self::LONGEST);

        return rtrim(mb_substr($line, 0, (int) (mb_strrpos($begins, ' ') ?: self::LONGEST)), ' ,.;:–-').' …';
    }
}
