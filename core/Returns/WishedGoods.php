<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

use Cairnfield\Core\Text\Folding;

/**
 * Which lines of an order somebody means who writes down what is to come back, one thing a line: by the SKU, or by words of its title.
 *
 * A number before or after an “x” or “×” says how many, as does one at the beginning that is not part of the title. What fits several
 * lines, or none, is nobody's guess: nothing is taken then, and what it was is said. Words and SKUs are compared folded; between the
 * letters of a SKU nothing but letters and digits counts. The time is in line with the words that are read times the lines.
 */
final readonly class WishedGoods
{
    /** Lines that are read; more is not written by a person. */
    public const MOST_LINES = 50;

    private const MOST_CHARACTERS = 300;

    /**
     * @param  array<int, int>  $units  by the key of the line of the order, 1 or more
     * @param  list<string>  $unclear  what was written and fits no line, or several
     */
    private function __construct(public array $units, public array $unclear) {}

    /**
     * @param  string  $written  UTF-8, one thing a line; where nothing is written, the only unit of an order of one unit is meant
     * @param  array<int, array{sku: string, title: string, quantity: int}>  $lines  of the order, by any key
     */
    public static function read(string $written, array $lines): self
    {
        $things = array_values(array_filter(
            array_map(trim(...), preg_split('/[\r\n;]+/', mb_scrub($written, 'UTF-8')) ?: []), static fn (string $one): bool => $one !== ''
        ));
        if ($things === []) {
            $only = count($lines) === 1 ? array_key_first($lines) : null;

            return new self($only !== null && $lines[$only]['quantity'] === 1 ? [$only => 1] : [], []);
        }
        $known = array_map(static fn (array $line): array => [
            'sku' => self::bare($line['sku']), 'words' => array_values(array_unique(self::words($line['title']))),
        ], $lines);
        $units = $unclear = [];
        foreach (array_slice($things, 0, self::MOST_LINES) as $thing) {
            $thing = mb_substr($thing, 0, self::MOST_CHARACTERS);
            [$line, $quantity] = self::meant($thing, $known);
            if ($line === null) {
                $unclear[] = $thing;
            } else {
                $units[$line] = ($units[$line] ?? 0) + $quantity;
            }
        }

        return new self($units, [...$unclear, ...array_slice($things, self::MOST_LINES)]);
    }

    /**
     * @param  array<int, array{sku: string, words: list<string>}>  $known
     * @return array{int|null, int} the key of the line, and how many units
     */
    private static function meant(string $thing, array $known): array
    {
        // As a whole first: “3 Line Wing” is the name of one thing.
        $line = self::line($thing, $known);
        if ($line !== null) {
            return [$line, 1];
        }
        $forms = [
            '/^(\d{1,4})\s*(?:[x×]|\s)\s*(.+)$/iu' => [1, 2],
            '/^(.+?)\s*[x×]\s*(\d{1,4})$/iu' => [2, 1],
        ];
        foreach ($forms as $form => [$number, $rest]) {
            if (preg_match($form, $thing, $found) === 1 && (int) $found[$number] > 0) {
                $line = self::line($found[$rest], $known);
                if ($line !== null) {
                    return [$line, (int) $found[$number]];
                }
            }
        }

        return [null, 0];
    }

    /**
     * @param  array<int, array{sku: string, words: list<string>}>  $known
     */
    private static function line(string $name, array $known): ?int
    {
        $sku = self::bare($name);
        $words = array_unique(self::words($name));
        // A number alone names nothing.
        $isNamed = preg_match('/\p{L}/u', $name) === 1;
        $fitting = $exact = [];
        foreach ($known as $key => $line) {
            if ($sku !== '' && $sku === $line['sku']) {
                return $key;
            }
            if ($isNamed && array_diff($words, $line['words']) === []) {
                $fitting[] = $key;
                // The whole title is meant before a longer one that holds it.
                count($words) !== count($line['words']) ?: $exact[] = $key;
            }
        }

        return match (true) {
            count($exact) === 1 => $exact[0],
            count($fitting) === 1 => $fitting[0],
            default => null,
        };
    }

    private static function bare(string $sku): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', Folding::fold($sku));
    }

    /**
     * @return list<string>
     */
    private static function words(string $text): array
    {
        return preg_split('/[^\p{L}\p{N}]+/u', Folding::fold($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }
}
