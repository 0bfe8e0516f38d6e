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
    /** Seven digits and more, in groups: a telephone number in any writing. */
    public const TELEPHONE = '/(?<![\p{L}\p{N}:."-])\+?\(?\d(?:[ ()\/.-]{0,2}\d){6,17}(?![\p{L}\p{N}"])/u';

    private const NO_SPACES = '[\p{Han}\p{Hiragana}\p{Katakana}\x{30FC}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}]';

    /**
     * @return string words with one space between
     */
    public static function of(string $text): string
    {
        preg_match_all(self::TELEPHONE, mb_scrub($text, 'UTF-8'), $telephones);

        return implode(' ', [...self::words($text, true), ...array_unique(array_map(self::telephone(...), $telephones[0]))]);
    }

    /**
     * As one number, without the zeros that are dialled before it.
     */
    public static function telephone(string $written): string
    {
        return (string) preg_replace('/^0{1,2}(?=\d{6})/', '', (string) preg_replace('/\D/', '', $written));
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
