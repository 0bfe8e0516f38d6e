<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Finds payment card numbers in a text, in time and memory in line with its length.
 *
 * A run is groups of digits, each joined to the next by one joiner. A card is one or more whole
 * groups in a row of a run: 13 to 19 digits in all, the first 2 to 6, Luhn-valid (ISO/IEC 7812-1),
 * with no letter or digit right before or after. The first place where one can begin is taken, there
 * the longest; it never begins or ends inside a group.
 *
 * @internal
 */
final class CardFinder
{
    private const SHORTEST = 13;

    private const LONGEST = 19;

    private const DIGITS = '0123456789';

    /** What a digit counts where it is doubled (ISO/IEC 7812-1, annex B). */
    private const DOUBLED = [0, 2, 4, 6, 8, 1, 3, 5, 7, 9];

    /**
     * @param  list<FoundSecret>  $apart  places no card reaches into or across, in order
     * @return list<FoundSecret> in order of place, apart from each other
     */
    public static function find(string $text, array $apart = []): array
    {
        // Places set apart are blotted out with a character that neither joins nor touches.
        $text = Places::blot($text, $apart, "\n");
        $runs = '/[0-9]++(?:'.IbanFinder::JOINER.'[0-9]++)*+/u';
        $found = [];
        for ($from = 0; preg_match($runs, $text, $match, PREG_OFFSET_CAPTURE, $from) === 1; $from = $start + strlen($run)) {
            [$run, $start] = $match[0];
            // Shorter than a card is, it holds none.
            strlen($run) < self::SHORTEST ?: array_push($found, ...self::inRun($text, $run, $start));
        }

        return $found;
    }

    /**
     * @return list<FoundSecret>
     */
    private static function inRun(string $text, string $run, int $start): array
    {
        // Anchored before it looks back: else every place after it would be tried.
        $isTouchedBefore = preg_match('/\G(?<=[\p{L}\p{N}])/u', $text, $match, 0, $start) === 1;
        $isTouchedAfter = preg_match('/\G[\p{L}\p{N}]/u', $text, $match, 0, $start + strlen($run)) === 1;
        $found = [];
        $at = $isTouchedBefore ? strspn($run, self::DIGITS) : 0;
        while (($at += strcspn($run, self::DIGITS, $at)) < strlen($run)) {
            [$length, $digits] = self::longestFrom($run, $at, $isTouchedAfter);
            if ($length > 0) {
                $found[] = new FoundSecret(SecretKind::Card, $start + $at, $length, substr($digits, -4));
            }
            $at += $length > 0 ? $length : strspn($run, self::DIGITS, $at);
        }

        return $found;
    }

    /**
     * @param  string  $run  groups of digits with one joiner between
     * @return array{int, string} how long the card is that begins there, in bytes, 0 where none does; and its digits
     */
    public static function longestFrom(string $run, int $first, bool $isTouchedAfter): array
    {
        $best = [0, ''];
        if ($run[$first] < '2' || $run[$first] > '6') {
            return $best;
        }
        $digits = '';
        // By the Luhn check as it stands where the last digit counts once, and where it counts double.
        [$sum, $sumDoubled] = [0, 0];
        for ($at = $first; $at < strlen($run); $at += strcspn($run, self::DIGITS, $at)) {
            $group = strspn($run, self::DIGITS, $at);
            if (strlen($digits) + $group > self::LONGEST) {
                break;
            }
            for ($end = $at + $group; $at < $end; $at++) {
                $digit = (int) $run[$at];
                $digits .= $run[$at];
                [$sum, $sumDoubled] = [$sumDoubled + $digit, $sum + self::DOUBLED[$digit]];
            }
            if ($sum % 10 === 0 && strlen($digits) >= self::SHORTEST && ! ($isTouchedAfter && $at === strlen($run))) {
                $best = [$at - $first, $digits];
            }
        }

        return $best;
    }
}
