<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * How a source writes its numbers: `#` stands for a digit, `@` for a letter, `*` at the end for more
 * digits or letters; everything else stands for itself. `B-2####` finds B-20417, also where somebody
 * wrote `b 20417` or `B20417`. A mask is no regular expression: nobody can write a slow one.
 */
final readonly class NumberMask
{
    private const JOINER = '[ \x{A0}\x{202F}.\/–-]?';

    private const MOST_CHARACTERS = 40;

    private function __construct(public string $mask, private string $pattern) {}

    /**
     * @throws TextRefused bad_mask
     */
    public static function of(string $mask): self
    {
        $mask = trim($mask);
        if ($mask === '' || mb_strlen($mask) > self::MOST_CHARACTERS || preg_match_all('/[#@]/', $mask) < 3) {
            throw TextRefused::badMask($mask);
        }
        $pattern = '';
        foreach (mb_str_split($mask) as $at => $character) {
            $pattern .= match (true) {
                $character === '#' => '\d',
                $character === '@' => '[A-Za-z]',
                $character === '*' && $at === mb_strlen($mask) - 1 => '[A-Za-z\d]{0,12}',
                preg_match('/^[\pL\pN]$/u', $character) === 1 => $character,
                preg_match('/^[ .\/–-]$/u', $character) === 1 => self::JOINER,
                default => throw TextRefused::badMask($mask),
            };
        }

        return new self($mask, "/(?<![\\pL\\pN])(?:{$pattern})(?![\\pL\\pN])/iu");
    }

    /**
     * Several, as a person writes them: with commas, or one a line.
     *
     * @return list<self>
     *
     * @throws TextRefused bad_mask
     */
    public static function listOf(string $masks): array
    {
        return array_map(self::of(...), preg_split('/\s*[,\n]\s*/', trim($masks), -1, PREG_SPLIT_NO_EMPTY) ?: []);
    }

    /**
     * Every number of this kind in a text, written as its source writes it, each once, in order of place.
     *
     * @param  string  $text  UTF-8
     * @return list<string>
     */
    public function find(string $text): array
    {
        return array_values(array_unique(array_map(
            fn (array $found): string => $this->asWrittenBySource($found[0]),
            $this->places($text),
        )));
    }

    /**
     * Where they stand: what was written, and the byte at which it begins.
     *
     * @return list<array{string, int}>
     */
    public function places(string $text): array
    {
        preg_match_all($this->pattern, mb_scrub($text, 'UTF-8'), $matches, PREG_OFFSET_CAPTURE);

        return $matches[0];
    }

    /**
     * The whole number where somebody wrote but its digits, or signs around it: `20417` and `#b20417` are B-20417 by `B-2####`.
     *
     * @param  string  $written  a number by itself, as in a field for it
     * @return string|null null where it is none of this kind
     */
    public function completed(string $written): ?string
    {
        $bare = (string) preg_replace('/[^\pL\pN]/u', '', mb_scrub($written, 'UTF-8'));
        $digits = '';
        foreach (mb_str_split($this->mask) as $character) {
            $digits .= $character === '#' || ctype_digit($character) ? $character : '';
        }
        if (str_contains($this->mask, '@') || str_ends_with($this->mask, '*') || strlen($bare) > self::MOST_CHARACTERS) {
            return $this->find($bare)[0] ?? null;
        }
        if (ctype_digit($bare) && strlen($bare) === strlen($digits)) {
            $left = str_split($bare);
            $bare = '';
            foreach (mb_str_split($this->mask) as $character) {
                $bare .= $character === '#' || ctype_digit($character) ? array_shift($left) : $character;
            }
        }

        return $this->find($bare)[0] ?? null;
    }

    private function asWrittenBySource(string $written): string
    {
        $left = mb_str_split((string) preg_replace('/[^\pL\pN]/u', '', $written));
        $number = '';
        foreach (mb_str_split(rtrim($this->mask, '*')) as $character) {
            $number .= preg_match('/^[#@\pL\pN]$/u', $character) === 1 ? mb_strtoupper((string) array_shift($left)) : $character;
        }

        return $number.mb_strtoupper(implode('', $left));
    }
}
