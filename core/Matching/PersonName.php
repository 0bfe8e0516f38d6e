<?php

declare(strict_types=1);

namespace Cairnfield\Core\Matching;

use Normalizer;

/**
 * A person's name as it is compared: without accents, titles, case and order of its parts.
 */
final readonly class PersonName
{
    private const TITLES = [
        'mr', 'mrs', 'ms', 'miss', 'dr', 'prof', 'herr', 'frau', 'hr', 'fru', 'mme', 'mlle', 'sr', 'sra', 'senor', 'senora',
        'monsieur', 'madame',
    ];

    /** Letters that Unicode does not take apart but people do. */
    private const PLAIN = [
        'ø' => 'o', 'æ' => 'ae', 'å' => 'a', 'ß' => 'ss', 'ł' => 'l', 'đ' => 'd', 'ð' => 'd', 'þ' => 'th', 'œ' => 'oe', 'ı' => 'i',
    ];

    /**
     * @param  list<string>  $parts  folded, in alphabetical order
     */
    private function __construct(public array $parts) {}

    public static function of(string $name): self
    {
        $normal = Normalizer::normalize(mb_scrub($name, 'UTF-8'), Normalizer::FORM_KD);
        $folded = mb_strtolower(is_string($normal) ? $normal : '', 'UTF-8');
        $folded = strtr((string) preg_replace('/\p{M}/u', '', $folded), self::PLAIN);
        $parts = preg_split('/[^\pL\pN]+/u', $folded, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $parts = array_values(array_unique(array_diff($parts, self::TITLES)));
        sort($parts);

        return new self($parts);
    }

    /**
     * Two or more parts in common: `Dr. Østerlund, Maja` is `maja osterlund`. One that has further
     * parts, such as a middle name, is the same too; a single part is never enough.
     */
    public function isSameAs(self $other): bool
    {
        $common = count(array_intersect($this->parts, $other->parts));

        return $common >= 2 && $common >= min(count($this->parts), count($other->parts));
    }

    /**
     * The same but for a typing error: one letter in one part, or an initial in place of a first name.
     */
    public function isLike(self $other): bool
    {
        if ($this->isSameAs($other)) {
            return true;
        }
        $mine = array_values(array_diff($this->parts, $other->parts));
        $theirs = array_values(array_diff($other->parts, $this->parts));
        if (count($mine) !== 1 || count($theirs) !== 1 || count($this->parts) < 2 || count($this->parts) !== count($other->parts)) {
            return false;
        }
        $isInitial = (
            mb_strlen($mine[0]) === 1 || mb_strlen($theirs[0]) === 1
        ) && mb_substr($mine[0], 0, 1) === mb_substr($theirs[0], 0, 1);
        $isTyped = min(mb_strlen($mine[0]), mb_strlen($theirs[0])) >= 4 && self::differByOne($mine[0], $theirs[0]);

        return $isInitial || $isTyped;
    }

    /**
     * A first and a last name at least.
     */
    public function isFull(): bool
    {
        return count(array_filter($this->parts, static fn (string $part): bool => mb_strlen($part) > 1)) >= 2;
    }

    /**
     * By characters, not by bytes: one put in, left out, changed, or two neighbours swapped.
     */
    private static function differByOne(string $one, string $other): bool
    {
        $a = mb_str_split($one);
        $b = mb_str_split($other);
        for ($start = 0; isset($a[$start], $b[$start]) && $a[$start] === $b[$start]; $start++);
        for ($end = 0; $end < min(count($a), count($b)) - $start && $a[count($a) - 1 - $end] === $b[count($b) - 1 - $end]; $end++);
        $left = array_slice($a, $start, count($a) - $start - $end);
        $right = array_slice($b, $start, count($b) - $start - $end);
        $isSwap = count($left) === 2 && count($right) === 2 && $left === array_reverse($right);

        return $isSwap || max(count($left), count($right)) <= 1;
    }
}
