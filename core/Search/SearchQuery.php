<?php

declare(strict_types=1);

namespace Cairnfield\Core\Search;

use Cairnfield\Core\Text\Folding;

/**
 * What somebody looks for: words, "phrases", -words that must not be there, and narrowings such as
 * `state:held` or, for all others, `-state:held`. A word finds what begins with it.
 */
final readonly class SearchQuery
{
    public const LONGEST = 400;

    private const MOST_WORDS = 20;

    /** What stands before a colon in a subject or an address, and asks for nothing. */
    private const NO_NARROWINGS = ['re', 'aw', 'sv', 'fw', 'fwd', 'wg', 'vs', 'http', 'https', 'mailto', 'tel', 'ftp'];

    /**
     * @param  list<array{list<string>, list<string>}>  $words  each written word as the words that stand for it, or as the words
     *   between its signs, in a row
     * @param  list<list<string>>  $phrases  words that follow each other
     * @param  list<list<string>>  $without
     * @param  list<array{string, string, bool}>  $narrowings  key and value, as written, and whether they must not be so
     * @param  list<string>  $unknown  what was written like a narrowing and is none: looked for as words
     * @param  bool  $cut  whether more was written than is looked for
     */
    private function __construct(
        public array $words,
        public array $phrases,
        public array $without,
        public array $narrowings,
        public array $unknown,
        public bool $cut,
    ) {}

    /**
     * Anything can be written; what makes no sense is left out.
     *
     * @param  list<string>  $keys  the narrowings that there are, in lower case
     */
    public static function read(string $written, array $keys): self
    {
        $cut = mb_strlen($written) > self::LONGEST;
        $written = mb_substr(mb_scrub($written, 'UTF-8'), 0, self::LONGEST);
        $telephones = [];
        $written = (string) preg_replace_callback(SearchText::TELEPHONE, static function (array $found) use (&$telephones): string {
            $telephones[] = [[SearchText::telephone($found[0])], SearchText::words($found[0])];

            return ' ';
        }, $written);
        preg_match_all('/(?<not>-)?(?:(?<key>[\p{L}_.]+):)?(?:"(?<phrase>[^"]*)"?|(?<word>[^\s"]+))/u', $written, $parts, PREG_SET_ORDER);
        $words = $phrases = $without = $narrowings = $unknown = [];
        foreach ($parts as $part) {
            $key = mb_strtolower($part['key'] ?? '');
            $isPhrase = ! isset($part['word']);
            $text = $part['word'] ?? $part['phrase'] ?? '';
            if ($key !== '' && in_array($key, $keys, true)) {
                if (Folding::fold($text) !== '') {
                    $narrowings[] = [$key, trim($text), ($part['not'] ?? '') === '-'];
                }

                continue;
            }
            if ($key !== '' && $text !== '' && $text[0] !== '/' && ! in_array($key, self::NO_NARROWINGS, true)) {
                $unknown[] = $key;
            }
            $text = $key === '' ? $text : "{$key} {$text}";
            $asked = $isPhrase || $key !== '' ? SearchText::words($text) : SearchText::asked($text);
            if ($asked === []) {
                continue;
            }
            match (true) {
                ($part['not'] ?? '') === '-' => $without[] = $asked,
                $isPhrase => $phrases[] = $asked,
                default => $words[] = [$asked, $key === '' ? SearchText::words($text) : $asked],
            };
        }
        $words = [...$words, ...$telephones];
        $cut = $cut || count($words) > self::MOST_WORDS;

        return new self(
            array_slice($words, 0, self::MOST_WORDS), array_slice($phrases, 0, self::MOST_WORDS),
            array_slice($without, 0, self::MOST_WORDS), $narrowings, array_values(array_unique($unknown)), $cut
        );
    }

    /**
     * Whether it asks for words at all.
     */
    public function hasWords(): bool
    {
        return $this->words !== [] || $this->phrases !== [];
    }

    public function isEmpty(): bool
    {
        return ! $this->hasWords() && $this->narrowings === [];
    }

    /**
     * The words as regular expressions (PCRE, UTF-8) over a SearchText.
     *
     * @return array{list<string>, list<string>} those that must be found, and those that must not
     */
    public function patterns(): array
    {
        $before = '(?:^| )';
        $must = [];
        foreach ($this->words as [$words, $parts]) {
            $must = [...$must, ...($words === $parts || $parts === []
                ? array_map(static fn (string $word): string => $before.preg_quote($word), $words)
                : [$before.'(?:'.preg_quote(implode(' ', $words)).'|'.preg_quote(implode(' ', $parts)).')'])];
        }

        return [[...$must, ...array_map(self::inARow(...), $this->phrases)], array_map(self::inARow(...), $this->without)];
    }

    /**
     * @param  list<string>  $words
     */
    private static function inARow(array $words): string
    {
        return '(?:^| )'.preg_quote(implode(' ', $words)).'(?: |$)';
    }

    /**
     * The words in the language of MariaDB's full text in boolean mode; all letters and digits by now. Finds all
     * that is looked for, and perhaps more: of `c-1042` only the longest part is asked, since an index takes
     * very long to gather what a single letter stands in.
     *
     * @param  string|null  $rare  one of the certain words, to ask for this one alone
     */
    public function booleanMode(?string $rare = null): string
    {
        $begins = static fn (string $word): string => mb_strlen($word) > 2 ? "{$word}*" : $word;
        if ($rare !== null) {
            return "+{$begins($rare)}";
        }
        $must = [];
        foreach ($this->words as [$words, $parts]) {
            $must = [...$must, ...($words === $parts || $parts === []
                ? array_map(static fn (string $word): string => '+'.$begins($word), $words)
                : ['+('.implode(' ', array_map($begins, $words)).' '.self::longest($parts).')'])];
        }

        return implode(' ', [
            ...$must,
            ...array_map(static fn (array $words): string => '+"'.implode(' ', $words).'"', $this->phrases),
            ...array_map(static fn (array $words): string => '-"'.implode(' ', $words).'"', $this->without),
        ]);
    }

    /**
     * Words that are in whatever is found, for a quick look before an exact one.
     *
     * @return list<string>
     */
    public function certain(): array
    {
        $certain = array_merge(...$this->phrases);
        foreach ($this->words as [$words, $parts]) {
            if ($words === $parts || $parts === []) {
                array_push($certain, ...$words);
            }
        }

        return array_values(array_unique($certain));
    }

    /**
     * All words that are looked for, to mark them.
     *
     * @return list<string>
     */
    public function marked(): array
    {
        return array_values(array_unique(array_merge(...array_merge(...$this->words), ...$this->phrases)));
    }

    /**
     * @param  list<string>  $words
     */
    private static function longest(array $words): string
    {
        usort($words, static fn (string $one, string $other): int => mb_strlen($other) <=> mb_strlen($one));

        return $words[0] ?? '';
    }
}
