<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

use Closure;
use Generator;

/**
 * Puts something in place of several parts of a text, in time in line with its length, however many they are.
 */
final class Places
{
    /**
     * @param  iterable<array{int, int, string}>  $places  where each begins and how long it is, in bytes, and what is put there; in order,
     *                                                 apart from each other
     */
    public static function replace(string $text, iterable $places): string
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
        return self::replace($text, self::each($secrets, static fn (FoundSecret $secret): string => str_repeat($with, $secret->length)));
    }

    /**
     * One after another: a text may hold a million of them.
     *
     * @param  list<FoundSecret>  $secrets  in order
     * @param  Closure(FoundSecret): string  $instead
     * @return Generator<array{int, int, string}>
     */
    public static function each(array $secrets, Closure $instead): Generator
    {
        foreach ($secrets as $secret) {
            yield [$secret->start, $secret->length, $instead($secret)];
        }
    }
}
