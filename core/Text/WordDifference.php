<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * How much of a text is left in another, counted in words and in their order (the longest common subsequence).
 */
final readonly class WordDifference
{
    /** Longer texts are compared by their first words. */
    private const MOST_WORDS = 1200;

    private function __construct(public int $words, public int $kept) {}

    /**
     * @param  string  $given  the text as it was at first
     * @param  string  $made  what became of it; may stand among other words
     */
    public static function between(string $given, string $made): self
    {
        $from = self::words($given);
        $to = self::words($made);
        $kept = 0;
        // What is alike at both ends needs no table.
        while ($from !== [] && $to !== [] && $from[0] === $to[0]) {
            array_shift($from);
            array_shift($to);
            $kept++;
        }
        while ($from !== [] && $to !== [] && end($from) === end($to)) {
            array_pop($from);
            array_pop($to);
            $kept++;
        }

        return new self($kept + count($from), $kept + self::common($from, $to));
    }

    /**
     * The share of the given words that are no longer there, from 0 (kept whole) to 1.
     */
    public function share(): float
    {
        return $this->words === 0 ? 0.0 : 1 - $this->kept / $this->words;
    }

    /**
     * @param  list<string>  $from
     * @param  list<string>  $to
     */
    private static function common(array $from, array $to): int
    {
        $row = array_fill(0, count($to) + 1, 0);
        foreach ($from as $word) {
            $diagonal = 0;
            foreach ($to as $index => $other) {
                $above = $row[$index + 1];
                $row[$index + 1] = $word === $other ? $diagonal + 1 : max($above, $row[$index]);
                $diagonal = $above;
            }
        }

        return $row[count($to)];
    }

    /**
     * @return list<string>
     */
    private static function words(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}][\p{L}\p{N}\p{M}]*/u', Folding::fold(mb_substr($text, 0, 20_000)), $words);

        return array_slice($words[0], 0, self::MOST_WORDS);
    }
}
