<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Finds payment card numbers in a text.
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

    /**
     * @param  list<FoundSecret>  $apart  places no card reaches into or across, in order
     * @return list<FoundSecret> in order of place, apart from each other
     */
    public static function find(string $text, array $apart = []): array
    {
        $found = [];
        foreach (self::runs($text, $apart) as $groups) {
            $index = 0;
            while ($index < count($groups)) {
                [$secret, $taken] = self::longestFrom($groups, $index);
                if ($secret !== null) {
                    $found[] = $secret;
                }
                $index += $taken;
            }
        }

        return $found;
    }

    /**
     * Groups of digits with their places in bytes and what touches them, run by run.
     *
     * @param  list<FoundSecret>  $apart
     * @return list<list<array{digits: string, start: int, touched_before: bool, touched_after: bool}>>
     */
    private static function runs(string $text, array $apart): array
    {
        // Places set apart are blotted out with a character that neither joins nor touches.
        foreach ($apart as $secret) {
            $text = substr_replace($text, str_repeat("\n", $secret->length), $secret->start, $secret->length);
        }
        preg_match_all('/[0-9]++(?:'.IbanFinder::JOINER.'[0-9]++)*+/u', $text, $runs, PREG_OFFSET_CAPTURE);
        $read = [];
        foreach ($runs[0] as [$run, $start]) {
            preg_match_all('/[0-9]+/', $run, $groups, PREG_OFFSET_CAPTURE);
            $last = count($groups[0]) - 1;
            $touchedBefore = preg_match('/(?<=[\p{L}\p{N}])\G/u', $text, $match, 0, $start) === 1;
            $touchedAfter = preg_match('/\G[\p{L}\p{N}]/u', $text, $match, 0, $start + strlen($run)) === 1;
            $read[] = array_map(static fn (int $index): array => [
                'digits' => $groups[0][$index][0],
                'start' => $start + $groups[0][$index][1],
                'touched_before' => $index === 0 && $touchedBefore,
                'touched_after' => $index === $last && $touchedAfter,
            ], range(0, $last));
        }

        return $read;
    }

    /**
     * @param  list<array{digits: string, start: int, touched_before: bool, touched_after: bool}>  $groups
     * @return array{FoundSecret|null, int} the card that begins with this group, and how many groups to go on by
     */
    private static function longestFrom(array $groups, int $first): array
    {
        $best = null;
        $taken = 1;
        $number = '';
        for ($index = $first; $index < count($groups) && ! $groups[$first]['touched_before']; $index++) {
            $group = $groups[$index];
            $number .= $group['digits'];
            if (strlen($number) > self::LONGEST) {
                break;
            }
            if (! $group['touched_after'] && self::isCard($number)) {
                $start = $groups[$first]['start'];
                $length = $group['start'] + strlen($group['digits']) - $start;
                $best = new FoundSecret(SecretKind::Card, $start, $length, substr($number, -4));
                $taken = $index - $first + 1;
            }
        }

        return [$best, $taken];
    }

    private static function isCard(string $number): bool
    {
        if (strlen($number) < self::SHORTEST || $number[0] < '2' || $number[0] > '6') {
            return false;
        }
        $sum = 0;
        foreach (array_reverse(str_split($number)) as $place => $digit) {
            $sum += $place % 2 === 0 ? (int) $digit : array_sum(str_split((string) ((int) $digit * 2)));
        }

        return $sum % 10 === 0;
    }
}
