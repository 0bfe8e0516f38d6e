<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * A conversation's number as people see and write it: `C-1042`, in subjects `[C-1042]`.
 */
final class ConversationNumber
{
    private const IN_SUBJECT = '/\s*\[C-(\d{1,12})\]/i';

    public static function show(int $number): string
    {
        return "C-{$number}";
    }

    /**
     * The subject with the number as its mark at the end, once.
     */
    public static function mark(string $subject, int $number): string
    {
        return trim(self::withoutMark($subject).' ['.self::show($number).']');
    }

    public static function withoutMark(string $subject): string
    {
        return trim((string) preg_replace(self::IN_SUBJECT, '', $subject));
    }

    /**
     * @return int|null the last number marked in a subject; null where there is none
     */
    public static function inSubject(string $subject): ?int
    {
        return preg_match_all(self::IN_SUBJECT, $subject, $matches) > 0 ? (int) end($matches[1]) : null;
    }
}
