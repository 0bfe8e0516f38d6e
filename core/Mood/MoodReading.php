<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mood;

use Normalizer;

/**
 * Reads the mood of a message from words and phrases that people choose when they are upset, uneasy or pleased,
 * and from how they write. Few and plain on purpose: whoever sees the mood sees the words it was read from.
 *
 * Points: a phrase of the upset 3, of the uneasy 1, mostly capitals 2, rows of exclamation marks 1, each phrase
 * once. From 3 points on it is upset, from 1 on uneasy; with none, a phrase of the pleased makes it pleased.
 * A phrase of the pleased that is denied ("not happy") counts as one of the uneasy; a phrase of the others that
 * is denied ("not angry") counts nothing, nor does what is only wished for ("would be wonderful"). Capitals and
 * marks say how strongly something is meant, not what: beside phrases of the pleased alone they count nothing.
 */
final readonly class MoodReading
{
    private const UPSET = 3;

    private const UNEASY = 1;

    private const CAPITALS = 2;

    private const MARKS = 1;

    /** People say what they feel at the beginning. */
    private const MOST_CHARACTERS = 4000;

    /** What stands before a phrase reaches over so many words between. */
    private const REACHES_OVER = 2;

    private const BEFORE_BYTES = 80;

    /** Words of fewer letters are abbreviations as often as shouts. */
    private const SHOUTED_LETTERS = 4;

    private const FEWEST_SHOUTED = 3;

    /**
     * @param  list<string>  $words  as they were written, in their order
     */
    private function __construct(public Mood $mood, public array $words) {}

    /**
     * @param  string  $text  UTF-8, without what it quotes
     * @param  string|null  $language  ISO 639-1; null where it is not known: then the phrases of all languages are
     *                                 looked for
     */
    public static function of(string $text, ?string $language): self
    {
        $text = strtr(self::whole(mb_substr($text, 0, self::MOST_CHARACTERS)), ['’' => "'", '‘' => "'", '´' => "'"]);
        $found = [];
        $points = 0;
        $isPleased = false;
        foreach (MoodPhrases::of($language) as $phrases) {
            [$spans, $own] = self::spans($text, $phrases);
            foreach ($spans as $at => $span) {
                $found[$at] ??= $span;
            }
            $points += $own;
            $isPleased = $isPleased || in_array(0, array_column($spans, 'points'), true);
        }
        $isOnlyPleased = $isPleased && $points === 0;
        if (! $isOnlyPleased && self::isShouted($text)) {
            $points += self::CAPITALS;
            $found[-2] = ['words' => 'mostly capitals', 'points' => self::CAPITALS];
        }
        if (! $isOnlyPleased && preg_match('/[!?]*(?:![!?]{2,}|\?[!?]*![!?]*)|!(?:\s*!){2,}/u', $text, $marks) === 1) {
            $points += self::MARKS;
            $found[-1] = ['words' => $marks[0], 'points' => self::MARKS];
        }
        $mood = match (true) {
            $points >= self::UPSET => Mood::Upset,
            $points >= self::UNEASY => Mood::Uneasy,
            $isPleased => Mood::Pleased,
            default => Mood::Neutral,
        };
        // What speaks for another mood than the one that was read says nothing of it.
        $found = array_filter($found, static fn (array $one): bool => ($one['points'] > 0) === ($mood !== Mood::Pleased));
        ksort($found);

        return new self($mood, array_values(array_unique(array_column($found, 'words'))));
    }

    /**
     * @return array{array<int, array{words: string, points: int}>, int} what was found by its place in bytes, and the points of it,
     *   each phrase once
     */
    private static function spans(string $text, MoodPhrases $phrases): array
    {
        $spans = $counted = [];
        foreach ([[$phrases->upset, self::UPSET], [$phrases->uneasy, self::UNEASY], [$phrases->pleased, 0]] as [$pattern, $points]) {
            if ($pattern === '' || preg_match_all($pattern, $text, $matches, PREG_OFFSET_CAPTURE) < 1) {
                continue;
            }
            foreach ($matches[0] as [$words, $at]) {
                $denial = self::before($text, $at, $phrases->denials);
                if (($denial !== null && $points > 0) || self::before($text, $at, $phrases->wishes) !== null) {
                    continue;
                }
                $own = $denial === null ? $points : self::UNEASY;
                $spans[$denial ?? $at] = [
                    'words' => trim(substr($text, $denial ?? $at, $at + strlen($words) - ($denial ?? $at))), 'points' => $own,
                ];
                $counted[mb_strtolower($words)] = $own;
            }
        }

        return [$spans, array_sum($counted)];
    }

    /**
     * @param  string  $words  alternatives of a pattern: what denies a phrase, or only wishes for it
     * @return int|null where one of them begins right before the phrase, in bytes
     */
    private static function before(string $text, int $at, string $words): ?int
    {
        $from = max(0, $at - self::BEFORE_BYTES);
        // Never from within a character.
        while ($from < $at && (ord($text[$from]) & 0xC0) === 0x80) {
            $from++;
        }
        $before = substr($text, $from, $at - $from);
        $reach = self::REACHES_OVER;

        return $words !== '' && preg_match(
            "/(?<![\\pL\\pN])(?:{$words})(?=\\s)(?:\\s+[\\pL\\pN']+){0,{$reach}}\\s+$/iu", $before, $found, PREG_OFFSET_CAPTURE
        ) === 1
            ? $at - strlen($before) + $found[0][1]
            : null;
    }

    /**
     * In valid UTF-8, each letter with its marks as one character where there is one.
     */
    private static function whole(string $text): string
    {
        $whole = Normalizer::normalize(mb_scrub($text, 'UTF-8'), Normalizer::FORM_C);

        return is_string($whole) ? $whole : '';
    }

    private static function isShouted(string $text): bool
    {
        $letters = (int) preg_match_all('/\p{L}/u', $text);
        $shouted = (int) preg_match_all('/(?<![\p{L}\p{N}-])\p{Lu}{'.self::SHOUTED_LETTERS.',}(?![\p{L}\p{N}-])/u', $text);

        return $shouted >= self::FEWEST_SHOUTED && (int) preg_match_all('/\p{Lu}/u', $text) * 2 >= $letters;
    }
}
