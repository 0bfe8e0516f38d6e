<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Finds bank account numbers (IBAN, ISO 13616) in a text.
 *
 * Two capitals, two digits, then 11 to 30 capitals or digits, with at most one joiner between any
 * two characters, mod 97 = 1, and no letter or digit right before or after. No country's length is
 * checked. From the first place where one can begin the longest is taken.
 *
 * @internal
 */
final class IbanFinder
{
    private const SHORTEST = 15;

    /** Also the joiners of card numbers: space, two no-break spaces, hyphen, dot, en dash. */
    public const JOINER = '[\x{20}\x{A0}\x{202F}.\x{2013}-]';

    /** What it is made of, where it needs no more than ASCII. */
    public const PLAIN = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789 .-';

    private const CANDIDATE = '/(?<![\p{L}\p{N}])[A-Z]J?[A-Z]J?[0-9]J?[0-9](?:J?[A-Z0-9]){11,30}/u';

    /**
     * @return list<FoundSecret> in order of place, apart from each other
     */
    public static function find(string $text): array
    {
        $pattern = str_replace('J', self::JOINER, self::CANDIDATE);
        $found = [];
        $offset = 0;
        while (preg_match($pattern, $text, $match, PREG_OFFSET_CAPTURE, $offset) === 1) {
            [$candidate, $start] = $match[0];
            $secret = self::longest($text, $candidate, $start);
            if ($secret !== null) {
                $found[] = $secret;
            }
            $offset = $secret?->end() ?? $start + 1;
        }

        return $found;
    }

    /**
     * @param  string  $candidate  what stands there, as far as it may be one
     */
    public static function longest(string $text, string $candidate, int $start): ?FoundSecret
    {
        $characters = (string) preg_replace('/'.self::JOINER.'/u', '', $candidate);
        foreach (self::countsThatCheck($characters) as $count) {
            preg_match('/(?:[A-Z0-9]'.self::JOINER.'?){'.($count - 1).'}[A-Z0-9]/u', $candidate, $match);
            $length = strlen($match[0] ?? '');
            if (preg_match('/\G[\p{L}\p{N}]/u', $text, $touching, 0, $start + $length) === 0) {
                return new FoundSecret(SecretKind::Iban, $start, $length, substr($characters, $count - 4, 4));
            }
        }

        return null;
    }

    /**
     * ISO 7064 MOD 97-10: the first four characters moved to the end, letters as 10 to 35, leave 1.
     *
     * @return list<int> how many of the characters from the first on, the most first
     */
    private static function countsThatCheck(string $characters): array
    {
        [$head, $power] = self::read(substr($characters, 0, 4));
        $counts = [];
        $remainder = 0;
        for ($index = 4, $end = strlen($characters); $index < $end; $index++) {
            $code = ord($characters[$index]);
            $remainder = $code < 65 ? ($remainder * 10 + $code - 48) % 97 : ($remainder * 100 + $code - 55) % 97;
            if ($index + 1 >= self::SHORTEST && ($remainder * $power + $head) % 97 === 1) {
                array_unshift($counts, $index + 1);
            }
        }

        return $counts;
    }

    /**
     * @return array{int, int} what the characters leave, and by how much what stands before them is multiplied
     */
    private static function read(string $characters): array
    {
        [$remainder, $power] = [0, 1];
        foreach (str_split($characters) as $character) {
            [$remainder, $power] = ctype_digit($character)
                ? [($remainder * 10 + (int) $character) % 97, $power * 10 % 97]
                : [($remainder * 100 + ord($character) - 55) % 97, $power * 100 % 97];
        }

        return [$remainder, $power];
    }
}
