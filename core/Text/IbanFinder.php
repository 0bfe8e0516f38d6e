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

    private static function longest(string $text, string $candidate, int $start): ?FoundSecret
    {
        preg_match_all('/[A-Z0-9]/', $candidate, $matches, PREG_OFFSET_CAPTURE);
        $characters = array_column($matches[0], 0);
        for ($count = count($characters); $count >= self::SHORTEST; $count--) {
            $length = $matches[0][$count - 1][1] + 1;
            $number = implode('', array_slice($characters, 0, $count));
            if (preg_match('/\G[\p{L}\p{N}]/u', $text, $touching, 0, $start + $length) === 0 && self::checks($number)) {
                return new FoundSecret(SecretKind::Iban, $start, $length, substr($number, -4));
            }
        }

        return null;
    }

    /**
     * ISO 7064 MOD 97-10: the first four characters moved to the end, letters as 10 to 35.
     */
    private static function checks(string $number): bool
    {
        $remainder = 0;
        foreach (str_split(substr($number, 4).substr($number, 0, 4)) as $character) {
            $remainder = ctype_digit($character)
                ? ($remainder * 10 + (int) $character) % 97
                : ($remainder * 100 + ord($character) - 55) % 97;
        }

        return $remainder === 1;
    }
}
