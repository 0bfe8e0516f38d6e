<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Puts something in place of several parts of a text, in time in line with its length, however many they are.
 */
final class Places
{
    /**
     * @param  list<array{int, int, string}>  $places  where each begins and how long it is, in bytes, and what is put there; in order,
     *                                                 apart from each other
     */
    public static function replace(string $text, array $places): string
    {
        $replaced = '';
        $from = 0;
        foreach ($places as [$start, $length, $instead]) {
            $replaced .= substr($text, $from, $start - $from).$instead;
            $from = $start + $length;
        }

        return $replaced.substr($text, $from);
    }

    /**
     * The same text with what was found blotted out, so that all else stays where it is.
     *
     * @param  list<FoundSecret>  $secrets  in order
     * @param  string  $with  one byte
     */
    public static function blot(string $text, array $secrets, string $with): string
    {
        return self::replace($text, array_map(
            static fn (FoundSecret $secret): array => [$secret->start, $secret->length, str_repeat($with, $secret->length)], $secrets
        ));
    }
}
