<?php

declare(strict_types=1);

namespace Cairnfield\Core\Search;

use Cairnfield\Core\Text\Folding;

/**
 * Texts as they are looked through: folded, in words. What is written with signs between, such as an
 * order's number or an address, counts both as its parts and as one word; scripts without spaces between
 * words are taken in pairs of characters.
 */
final class SearchText
{
    private const NO_SPACES = '[\p{Han}\p{Hiragana}\p{Katakana}\x{30FC}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}]';

    /**
     * @return string words with one space between
     */
    public static function of(string $text): string
    {
        return implode(' ', self::words($text, true));
    }

    /**
     * @param  bool  $withWholes  also what is written with signs between as one word
     * @return list<string>
     */
    public static function words(string $text, bool $withWholes = false): array
    {
        preg_match_all('/[\p{L}\p{N}][\p{L}\p{N}\p{M}]*(?:[-.@_\/\'’+][\p{L}\p{N}][\p{L}\p{N}\p{M}]*)*/u', Folding::fold($text), $found);
        $words = [];
        foreach ($found[0] as $written) {
            $parts = preg_split('/[-.@_\/\'’+]/u', $written) ?: [];
            foreach ($parts as $part) {
                array_push($words, ...self::pairs($part));
            }
            if ($withWholes && count($parts) > 1) {
                $words[] = implode('', $parts);
            }
        }

        return $words;
    }

    /**
     * One written word as it is asked for: `B-20431` as one.
     *
     * @return list<string>
     */
    public static function asked(string $word): array
    {
        $bare = (string) preg_replace('/[^\p{L}\p{N}\p{M}]+|(?<![\p{L}\p{N}\p{M}])\p{M}+/u', '', Folding::fold($word));

        return preg_match('/[\p{L}\p{N}]/u', $bare) === 1 ? self::pairs($bare) : [];
    }

    /**
     * @return list<string>
     */
    private static function pairs(string $word): array
    {
        if (preg_match('/'.self::NO_SPACES.'/u', $word) !== 1) {
            return $word === '' ? [] : [$word];
        }
        $words = [];
        foreach (preg_split('/('.self::NO_SPACES.'+)/u', $word, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $run) {
            $characters = mb_str_split($run, 1, 'UTF-8');
            if (count($characters) < 2 || preg_match('/^'.self::NO_SPACES.'/u', $run) !== 1) {
                $words[] = $run;

                continue;
            }
            for ($at = 0; $at + 1 < count($characters); $at++) {
                $words[] = $characters[$at].$characters[$at + 1];
            }
        }

        return $words;
    }
}
