<?php

declare(strict_types=1);

namespace Cairnfield\Core\Search;

use Cairnfield\Core\Text\Folding;

/**
 * The word that was probably meant, by the trigrams that two words share (Dice's coefficient over the sets of their groups of three
 * characters, with a blank before and after): 0 for nothing in common, 1 for the same.
 */
final class NearestWord
{
    /** Below it, a word is another one. */
    public const ENOUGH = 0.4;

    /**
     * @param  list<string>  $known  the first of those that are equally near is taken
     * @return string|null null where none is near, or one is the same
     */
    public static function of(string $word, array $known): ?string
    {
        $asked = self::trigrams($word);
        $best = null;
        $most = 0.0;
        foreach ($known as $one) {
            $likeness = self::shared($asked, self::trigrams($one));
            if ($likeness > $most) {
                [$best, $most] = [$one, $likeness];
            }
        }

        return $most >= self::ENOUGH && $most < 1.0 ? $best : null;
    }

    /**
     * @return list<string> each once
     */
    private static function trigrams(string $word): array
    {
        $characters = mb_str_split(' '.Folding::fold($word).' ');
        $trigrams = [];
        for ($at = 0; $at + 2 < count($characters); $at++) {
            $trigrams[$characters[$at].$characters[$at + 1].$characters[$at + 2]] = true;
        }

        return array_map(strval(...), array_keys($trigrams));
    }

    /**
     * @param  list<string>  $one
     * @param  list<string>  $other
     * @return float 0 to 1
     */
    private static function shared(array $one, array $other): float
    {
        $both = count($one) + count($other);

        return $both === 0 ? 0.0 : 2 * count(array_intersect($one, $other)) / $both;
    }
}
