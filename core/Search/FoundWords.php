<?php

declare(strict_types=1);

namespace Cairnfield\Core\Search;

use Cairnfield\Core\Text\Folding;

/**
 * Where the words that were looked for stand in a text as it was written.
 */
final class FoundWords
{
    private const BEFORE = 60;

    /**
     * The text in pieces, those that were found marked.
     *
     * @param  list<string>  $words  folded, as SearchText has them
     * @return list<array{string, bool}>
     */
    public static function in(string $text, array $words): array
    {
        $pieces = [];
        $plain = '';
        foreach (
            preg_split(
                '/([\p{L}\p{N}][\p{L}\p{N}\p{M}]*(?:[-.@_\/\'’+][\p{L}\p{N}][\p{L}\p{N}\p{M}]*)*)/u', $text, -1,
                PREG_SPLIT_DELIM_CAPTURE
            )
                ?: [] as $index => $piece
        ) {
            if ($index % 2 === 1 && self::isFound($piece, $words)) {
                array_push($pieces, [$plain, false], [$piece, true]);
                $plain = '';
            } else {
                $plain .= $piece;
            }
        }
        $pieces[] = [$plain, false];

        return array_values(array_filter($pieces, static fn (array $piece): bool => $piece[0] !== ''));
    }

    /**
     * A piece of a long text around the first word that was found.
     *
     * @param  list<string>  $words
     * @param  int  $length  characters, about
     * @return list<array{string, bool}>|null null where none was found
     */
    public static function around(string $text, array $words, int $length): ?array
    {
        if (! self::mayBeIn($text, $words)) {
            return null;
        }
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        $pieces = self::in($text, $words);
        $before = 0;
        foreach ($pieces as [$piece, $isFound]) {
            if ($isFound) {
                $from = max(0, $before - self::BEFORE);
                $cut = mb_substr($text, $from, $length);
                // A beginning in the middle of a word reads badly.
                $cut = $from > 0 ? (string) preg_replace('/^\S*\s/u', '', $cut) : $cut;

                return self::in(($from > 0 ? '… ' : '').$cut.($from + $length < mb_strlen($text) ? ' …' : ''), $words);
            }
            $before += mb_strlen($piece);
        }

        return null;
    }

    /**
     * A quick look whether it is worth a closer one.
     *
     * @param  list<string>  $words
     */
    public static function mayBeIn(string $text, array $words): bool
    {
        $folded = Folding::fold($text);
        $bare = str_replace(['-', '.', '@', '_', '/', '\'', '’', '+'], '', $folded);

        return array_filter($words, static fn (string $word): bool => str_contains($folded, $word) || str_contains($bare, $word)) !== [];
    }

    /**
     * @param  list<string>  $words
     */
    private static function isFound(string $piece, array $words): bool
    {
        // Most words are plain ones.
        $isPlain = ctype_alnum($piece);
        $folded = $isPlain ? strtolower($piece) : Folding::fold($piece);
        $candidates = $isPlain ? [$folded] : [...SearchText::words($folded), ...SearchText::asked($folded)];
        foreach ($words as $word) {
            foreach ($candidates as $candidate) {
                if (str_starts_with($candidate, $word)) {
                    return true;
                }
            }
        }

        return false;
    }
}
