<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Tells the language that a text is written in, by its script and its trigrams (Cavnar and Trenkle,
 * "N-Gram-Based Text Categorization", 1994), and where it is short by its small words.
 */
final class Language
{
    /** Fewer letters than these say too little to tell one language from its neighbours. */
    private const FEWEST_LETTERS = 10;

    /** Reading on changes nothing any more. */
    private const MOST_CHARACTERS = 2000;

    /** How far the best must lie before the next, as a share of its own score. */
    private const CLEARLY_AHEAD = 0.04;

    /** What a small word counts, where the most frequent trigram counts 360. */
    private const SMALL_WORD = 600;

    /** Scripts that one language among ours is written in. Kana before Han: Japanese uses both. */
    private const SINGLE = [
        '/[\p{Hiragana}\p{Katakana}]/u' => 'ja',
        '/\p{Han}/u' => 'zh',
        '/\p{Hangul}/u' => 'ko',
        '/\p{Greek}/u' => 'el',
        '/\p{Hebrew}/u' => 'he',
        '/\p{Thai}/u' => 'th',
        '/\p{Georgian}/u' => 'ka',
        '/\p{Armenian}/u' => 'hy',
    ];

    private const SEVERAL = [
        'Latin' => '/\p{Latin}/u',
        'Cyrillic' => '/\p{Cyrillic}/u',
        'Arabic' => '/\p{Arabic}/u',
        'Devanagari' => '/\p{Devanagari}/u',
    ];

    /** @var array<string, array<string, array<string, int>>>|null rank of each trigram, by script and language */
    private static ?array $profiles = null;

    /** @var array<string, list<string>>|null languages by small word */
    private static ?array $smallWords = null;

    /**
     * @param  string  $text  UTF-8
     * @return string|null the language by ISO 639-1; null where the text is too short or unclear
     */
    public static function of(string $text): ?string
    {
        $plain = self::withoutNumbersAndLinks(mb_substr($text, 0, self::MOST_CHARACTERS));
        $letters = (int) preg_match_all('/\p{L}/u', $plain);
        foreach (self::SINGLE as $script => $language) {
            // A name or a sign in between does not make the text one of that script.
            if ($letters > 0 && (int) preg_match_all($script, $plain) * 4 >= $letters) {
                return $language;
            }
        }
        if ($letters < self::FEWEST_LETTERS) {
            return null;
        }
        foreach (self::SEVERAL as $script => $pattern) {
            if ((int) preg_match_all($pattern, $plain) * 2 > $letters) {
                return self::nearest(self::trigrams($plain), self::smallWords($plain), self::profiles()[$script]);
            }
        }

        return null;
    }

    private static function withoutNumbersAndLinks(string $text): string
    {
        return (string) preg_replace(['#\bhttps?://\S+|\S+@\S+#iu', '/[\P{L}]+/u'], [' ', ' '], mb_scrub($text, 'UTF-8'));
    }

    /**
     * @return array<string, int> how often each occurs
     */
    private static function trigrams(string $text): array
    {
        $characters = mb_str_split(' '.trim(mb_strtolower($text, 'UTF-8')).' ');
        $counts = [];
        for ($at = 0, $last = count($characters) - 2; $at < $last; $at++) {
            $trigram = $characters[$at].$characters[$at + 1].$characters[$at + 2];
            $counts[$trigram] = ($counts[$trigram] ?? 0) + 1;
        }

        return $counts;
    }

    /**
     * @return array<string, float> points for each language
     */
    private static function smallWords(string $text): array
    {
        if (self::$smallWords === null) {
            self::$smallWords = [];
            /** @var array<string, string> $data */
            $data = require __DIR__.'/data/small-words.php';
            foreach ($data as $language => $words) {
                foreach (array_unique(explode(' ', $words)) as $word) {
                    self::$smallWords[$word][] = $language;
                }
            }
        }
        $points = [];
        foreach (array_unique(explode(' ', mb_strtolower($text, 'UTF-8'))) as $word) {
            $languages = self::$smallWords[$word] ?? [];
            foreach ($languages as $language) {
                // What several languages share says less about each of them.
                $points[$language] = ($points[$language] ?? 0.0) + self::SMALL_WORD / sqrt(count($languages));
            }
        }

        return $points;
    }

    /**
     * @param  array<string, int>  $trigrams
     * @param  array<string, float>  $smallWords
     * @param  array<string, array<string, int>>  $profiles
     */
    private static function nearest(array $trigrams, array $smallWords, array $profiles): ?string
    {
        $scores = [];
        foreach ($profiles as $language => $ranks) {
            $size = count($ranks);
            $score = $smallWords[$language] ?? 0.0;
            foreach ($trigrams as $trigram => $count) {
                // The square root keeps a word that comes again and again from deciding alone.
                $score += isset($ranks[$trigram]) ? sqrt($count) * ($size + 60 - $ranks[$trigram]) : 0;
            }
            $scores[$language] = $score;
        }
        arsort($scores);
        $best = array_key_first($scores);
        $values = array_values($scores);

        return $best !== null && $values[0] > 0 && $values[0] - ($values[1] ?? 0) >= $values[0] * self::CLEARLY_AHEAD ? $best : null;
    }

    /**
     * @return array<string, array<string, array<string, int>>>
     */
    private static function profiles(): array
    {
        if (self::$profiles === null) {
            /** @var array<string, array<string, string>> $data */
            $data = require __DIR__.'/data/trigrams.php';
            self::$profiles = array_map(
                static fn (array $languages): array => array_map(
                    static fn (string $profile): array => array_flip(explode('|', $profile)),
                    $languages,
                ),
                $data,
            );
        }

        return self::$profiles;
    }
}
