<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

use IntlChar;
use Normalizer;

/**
 * Finds card numbers and bank account numbers also where a person, a mail program or a page has broken them or written them in
 * another way. In time and memory in line with the length of the text.
 *
 * A digit is one of any script (Unicode Nd), by its value; a letter of an account is what its compatible capital is. Beside the
 * joiners of `IbanFinder`, these join as well: other white space, `/` and `_`; one line end with what a mail program puts there (the
 * hyphen it broke behind, spaces, quote marks, the `=` of a soft break); and format characters (Cf: soft hyphen, zero-width space),
 * which stand beside any other joiner or alone.
 *
 * Numbers of orders, parcels and telephones stand in columns and rows too. A card that white space, `/`, `_` or a line end joins is
 * one only where all its groups but the last have four digits, or they are 4-6-5; an account likewise in fours. One with small
 * letters is in fours or in one piece, and has at least as many digits as letters: else any sentence could be one. At most one line
 * end stands in a number.
 *
 * @internal
 */
final class WideFinder
{
    private const SHORTEST_CARD = 13;

    private const LONGEST_CARD = 19;

    private const SHORTEST_ACCOUNT = 15;

    private const LONGEST_ACCOUNT = 34;

    /** What a digit counts where it is doubled (ISO/IEC 7812-1, annex B). */
    private const DOUBLED = [0, 2, 4, 6, 8, 1, 3, 5, 7, 9];

    private const LINE_END = '[.\x{2013}-]?+[ \t]{0,8}+=?+(?:\r\n|\r|\n)(?:[ \t]{0,8}+>){0,20}+[ \t]{0,8}+';

    private const WIDE = '[\t\x{0B}\x{0C}\x{1680}\x{2000}-\x{200A}\x{2028}\x{2029}\x{205F}\x{3000}\x{85}\/_]';

    private const JOINER = '(?:\p{Cf}{0,8}+(?:'.self::LINE_END.'|'.IbanFinder::JOINER.'|'.self::WIDE.')\p{Cf}{0,8}+|\p{Cf}{1,8}+)';

    /** What a card is made of where it needs no more than ASCII. */
    private const PLAIN_CARD = '0123456789 .-';

    /** Thirteen digits and more, of which the first may be from 2 to 6. */
    private const CARD = '/(?<![\p{L}\p{N}])(?:[2-6]|(?![0-9])\p{Nd})(?:J?+\p{Nd}){12,18}/u';

    private const ACCOUNT = '/(?<![\p{L}\p{N}])\p{L}J?+\p{L}J?+\p{Nd}J?+\p{Nd}(?:J?+[\p{L}\p{Nd}]){11,30}/u';

    /**
     * @return list<FoundSecret> bank accounts, in order of place, apart from each other
     */
    public static function accounts(string $text): array
    {
        $pattern = str_replace('J', self::JOINER, self::ACCOUNT);
        $found = [];
        $offset = 0;
        while (preg_match($pattern, $text, $match, PREG_OFFSET_CAPTURE, $offset) === 1) {
            [$candidate, $start] = $match[0];
            $secret = self::account($text, $candidate, $start);
            if ($secret !== null) {
                $found[] = $secret;
            }
            $offset = $secret?->end() ?? $start + strlen(mb_substr(substr($candidate, 0, 4), 0, 1));
        }

        return $found;
    }

    /**
     * @param  list<FoundSecret>  $apart  places no card reaches into or across, in order
     * @return list<FoundSecret> cards, in order of place, apart from each other
     */
    public static function cards(string $text, array $apart = []): array
    {
        $text = Places::blot($text, $apart, '|');
        $pattern = str_replace('J', self::JOINER, self::CARD);
        $found = [];
        $from = 0;
        while (preg_match($pattern, $text, $match, PREG_OFFSET_CAPTURE, $from) === 1) {
            [$candidate, $start] = $match[0];
            if (strspn($candidate, self::PLAIN_CARD) === strlen($candidate)) {
                [$length, $digits] = self::plainCard($text, $candidate, $start);
                $length === 0 ?: $found[] = new FoundSecret(SecretKind::Card, $start, $length, substr($digits, -4));
                $from = $start + ($length > 0 ? $length : strspn($candidate, '0123456789'));

                continue;
            }
            $groups = self::groups($text, $candidate, $start);
            $last = $groups === [] ? null : self::longestCard($groups, self::isTouchedAfter($text, $groups[count($groups) - 1]->end()));
            $from = $groups === [] ? self::endOfDigits($text, $start) : $groups[$last ?? 0]->end();
            if ($last !== null) {
                $digits = implode('', array_map(
                    static fn (DigitGroup $group): string => $group->digits, array_slice($groups, 0, $last + 1)
                ));
                $found[] = new FoundSecret(SecretKind::Card, $start, $from - $start, substr($digits, -4));
            }
        }

        return $found;
    }

    /**
     * Nothing wide in it: the quick way.
     *
     * @return array{int, string} how long it is, in bytes, 0 where there is none; and its digits
     */
    private static function plainCard(string $text, string $candidate, int $start): array
    {
        $end = $start + strlen($candidate);
        // The last group goes on behind what was looked at; as far as no card reaches is far enough.
        $rest = strspn($text, '0123456789', $end, self::LONGEST_CARD);

        return CardFinder::longestFrom(substr($text, $start, strlen($candidate) + $rest), 0, self::isTouchedAfter($text, $end + $rest));
    }

    /**
     * @return list<DigitGroup> of what begins there, as far as they are whole
     */
    private static function groups(string $text, string $candidate, int $start): array
    {
        preg_match_all('/\p{Nd}++/u', $candidate, $matches, PREG_OFFSET_CAPTURE);
        $groups = [];
        $end = 0;
        foreach ($matches[0] as $index => [$written, $at]) {
            $joined = $index === 0 ? null : Joined::by(substr($candidate, $end, $at - $end));
            $end = $at + strlen($written);
            $groups[] = new DigitGroup($start + $at, strlen($written), self::digits($written), $joined);
        }
        // The last may go on behind what was looked at.
        if (preg_match('/\G\p{Nd}/u', $text, $more, 0, $start + $end) === 1) {
            array_pop($groups);
        }

        return $groups;
    }

    /**
     * Behind the digits that stand there side by side: more than any card has.
     */
    private static function endOfDigits(string $text, int $start): int
    {
        preg_match('/\G\p{Nd}++/u', $text, $match, 0, $start);

        return $start + max(1, strlen($match[0] ?? ''));
    }

    /**
     * @param  list<DigitGroup>  $groups  joined to each other
     * @return int|null the last group of the longest card that begins with the first
     */
    private static function longestCard(array $groups, bool $isTouchedAfter): ?int
    {
        if ($groups[0]->digits[0] < '2' || $groups[0]->digits[0] > '6') {
            return null;
        }
        $best = null;
        $count = 0;
        $sizes = [];
        $isWide = false;
        $lineEnds = 0;
        [$sum, $sumDoubled] = [0, 0];
        foreach ($groups as $index => $group) {
            $count += strlen($group->digits);
            if ($index > 0) {
                $isWide = $isWide || $group->joined !== Joined::Usually;
                $lineEnds += $group->joined === Joined::OverLines ? 1 : 0;
            }
            if ($count > self::LONGEST_CARD || $lineEnds > 1) {
                break;
            }
            $sizes[] = strlen($group->digits);
            foreach (str_split($group->digits) as $digit) {
                [$sum, $sumDoubled] = [$sumDoubled + (int) $digit, $sum + self::DOUBLED[(int) $digit]];
            }
            $isOne = ! $isWide || self::isInFours($sizes) || $sizes === [4, 6, 5];
            if ($sum % 10 === 0 && $count >= self::SHORTEST_CARD && $isOne && ! ($index === count($groups) - 1 && $isTouchedAfter)) {
                $best = $index;
            }
        }

        return $best;
    }

    /**
     * @param  list<int>  $sizes  of groups
     */
    private static function isInFours(array $sizes): bool
    {
        return array_filter(array_slice($sizes, 0, -1), static fn (int $size): bool => $size !== 4) === [] && end($sizes) <= 4;
    }

    private static function account(string $text, string $candidate, int $start): ?FoundSecret
    {
        // Nothing wide in it: the quick way.
        if (strspn($candidate, IbanFinder::PLAIN) === strlen($candidate)) {
            return IbanFinder::longest($text, $candidate, $start);
        }
        // Encoded files begin like an account all the time, and have too many letters to be one.
        if (self::hasTooManyLetters($candidate)) {
            return null;
        }
        preg_match_all('/[\p{L}\p{Nd}]/u', $candidate, $matches, PREG_OFFSET_CAPTURE);
        $isSmall = false;
        $letters = $lineEnds = 0;
        $isWide = false;
        $sizes = [];
        $size = 0;
        $end = 0;
        $characters = '';
        $best = null;
        [$head, $power, $remainder] = [0, 1, 0];
        foreach ($matches[0] as $index => [$written, $at]) {
            $character = self::capital($written);
            if ($character === null || $index >= self::LONGEST_ACCOUNT) {
                break;
            }
            if ($at > $end && $index > 0) {
                $joined = Joined::by(substr($candidate, $end, $at - $end));
                $isWide = $isWide || $joined !== Joined::Usually;
                $lineEnds += $joined === Joined::OverLines ? 1 : 0;
                $sizes[] = $size;
                $size = 0;
            }
            if ($lineEnds > 1) {
                break;
            }
            $size++;
            $end = $at + strlen($written);
            $characters .= $character;
            $letters += ctype_digit($character) ? 0 : 1;
            $isSmall = $isSmall || preg_match('/^\p{Ll}$/u', $written) === 1;
            if ($index < 4) {
                [$head, $power] = ctype_digit($character)
                    ? [($head * 10 + (int) $character) % 97, $power * 10 % 97]
                    : [($head * 100 + ord($character) - 55) % 97, $power * 100 % 97];
            } else {
                $remainder = ctype_digit($character)
                    ? ($remainder * 10 + (int) $character) % 97
                    : ($remainder * 100 + ord($character) - 55) % 97;
            }
            // ISO 7064 MOD 97-10: the first four moved to the end, letters as 10 to 35, leave 1.
            $isIban = $index + 1 >= self::SHORTEST_ACCOUNT && ($remainder * $power + $head) % 97 === 1
                && ! self::isTouchedAfter($text, $start + $end);
            if ($isIban && self::isWrittenAsOne([...$sizes, $size], $isWide, $isSmall, $letters, $index + 1)) {
                $best = new FoundSecret(SecretKind::Iban, $start, $end, substr($characters, -4));
            }
        }

        return $best;
    }

    /**
     * Whether it has a small letter among its first characters, and so few digits that none of its beginnings can be an account.
     */
    private static function hasTooManyLetters(string $candidate): bool
    {
        return strcspn($candidate, 'abcdefghijklmnopqrstuvwxyz') < self::SHORTEST_ACCOUNT
            && preg_match_all('/\p{Nd}/u', $candidate) * 2 < self::SHORTEST_ACCOUNT;
    }

    /**
     * @param  list<int>  $sizes  of its groups
     */
    private static function isWrittenAsOne(array $sizes, bool $isWide, bool $isSmall, int $letters, int $count): bool
    {
        $isInFours = self::isInFours($sizes);

        return (! $isWide || $isInFours)
            && (! $isSmall || (($isInFours || count($sizes) === 1) && $letters * 2 <= $count));
    }

    private static function digits(string $written): string
    {
        return preg_match('/[^0-9]/', $written) === 0 ? $written : implode('', array_map(
            static fn (string $digit): string => (string) IntlChar::charDigitValue($digit), mb_str_split($written)
        ));
    }

    /**
     * @return string|null a digit or capital of ASCII; null where it is none
     */
    private static function capital(string $written): ?string
    {
        if (strlen($written) === 1) {
            return strtoupper($written);
        }
        $value = IntlChar::charDigitValue($written);
        $compatible = Normalizer::normalize($written, Normalizer::FORM_KC);
        $plain = $value >= 0 ? (string) $value : mb_strtoupper(is_string($compatible) ? $compatible : '');

        return preg_match('/^[0-9A-Z]$/D', $plain) === 1 ? $plain : null;
    }

    private static function isTouchedAfter(string $text, int $at): bool
    {
        return preg_match('/\G[\p{L}\p{N}]/u', $text, $match, 0, $at) === 1;
    }
}
