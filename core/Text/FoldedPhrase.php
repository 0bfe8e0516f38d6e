<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * A word or phrase that is looked for in folded texts, where it stands by itself: with no letter or
 * digit right before or after it. In scripts that put no spaces between words the edge is not looked at.
 *
 * With `…` (or three dots) at its end it is the beginning of a word, at its beginning the end of one, at both a part: `refund…` is in
 * “refunded”, `…retur…` in “byttereturlabel”. Between the words of a phrase a hyphen counts as a space: `e mail` is in “e-mail”. Word forms
 * are not reckoned: what is looked for is what is written.
 */
final readonly class FoldedPhrase
{
    private const NO_SPACES = '/^[\p{Han}\p{Hiragana}\p{Katakana}\x{30FC}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}]/u';

    private const ANY_BEFORE = '/^\s*(?:…|\.{3})\s*(?=[\p{L}\p{N}])/u';

    private const ANY_AFTER = '/(?<=[\p{L}\p{N}\p{M}])\s*(?:…|\.{3})\s*$/Du';

    private const BETWEEN_WORDS = '[ \x{2D}\x{2010}-\x{2013}]';

    private function __construct(public string $text, private bool $looksBefore, private bool $looksAfter) {}

    public static function of(string $phrase): self
    {
        $phrase = mb_scrub($phrase, 'UTF-8');
        $whole = (string) preg_replace([self::ANY_BEFORE, self::ANY_AFTER], '', $phrase);
        $folded = Folding::fold($whole);

        return new self(
            $folded,
            preg_match(self::ANY_BEFORE, $phrase) !== 1 && preg_match(self::NO_SPACES, $folded) !== 1,
            preg_match(self::ANY_AFTER, $phrase) !== 1
                && ($folded === '' || preg_match(self::NO_SPACES, self::baseBefore($folded, strlen($folded))) !== 1),
        );
    }

    /**
     * Whether anything may stand right before it, and right after it.
     *
     * @return array{bool, bool}
     */
    public function openEnds(): array
    {
        return [! $this->looksBefore, ! $this->looksAfter];
    }

    /**
     * @param  string  $folded  a text as Folding leaves it
     * @return bool always false where the phrase is empty once folded
     */
    public function isIn(string $folded): bool
    {
        if ($this->text === '') {
            return false;
        }
        if (strpbrk($this->text, ' -') !== false) {
            return preg_match("/{$this->pattern()}/u", $folded) === 1;
        }
        $length = strlen($this->text);
        for ($at = strpos($folded, $this->text); $at !== false; $at = strpos($folded, $this->text, $at + 1)) {
            if (! ($this->looksBefore && self::isWordlike(self::baseBefore($folded, $at)))
                && ! ($this->looksAfter && self::isWordlike(self::baseAfter($folded, $at + $length)))) {
                return true;
            }
        }

        return false;
    }

    /**
     * The same question as a regular expression (PCRE, UTF-8), for a database that keeps folded texts.
     *
     * @return string|null null where the phrase is empty once folded: it is found nowhere
     */
    public function pattern(): ?string
    {
        if ($this->text === '') {
            return null;
        }
        // A mark that follows stands on the phrase's own last character.
        $after = self::isWordlike(self::baseBefore($this->text, strlen($this->text))) ? '(?![\p{L}\p{N}\p{M}])' : '(?![\p{L}\p{N}])';

        $text = (string) preg_replace('/ |\\\\-/', self::BETWEEN_WORDS, preg_quote($this->text, '/'));

        return ($this->looksBefore ? '(?:^|[^\p{L}\p{N}\p{M}])\p{M}*' : '').$text.($this->looksAfter ? $after : '');
    }

    /**
     * The character right before a place; where that is a mark, what it stands on.
     */
    private static function baseBefore(string $text, int $end): string
    {
        while ($end > 0) {
            $start = $end - 1;
            while ($start > 0 && (ord($text[$start]) & 0xC0) === 0x80) {
                $start--;
            }
            $character = substr($text, $start, $end - $start);
            if (strlen($character) === 1 || preg_match('/^\p{M}/u', $character) !== 1) {
                return $character;
            }
            $end = $start;
        }

        return '';
    }

    /**
     * The character right after a place; where that is a mark, what it stands on: what lies before the place.
     */
    private static function baseAfter(string $text, int $at): string
    {
        if ($at >= strlen($text)) {
            return '';
        }
        $first = ord($text[$at]);
        $character = $first < 0x80 ? $text[$at] : substr($text, $at, match (true) {
            $first >= 0xF0 => 4,
            $first >= 0xE0 => 3,
            default => 2,
        });

        return $first >= 0x80 && preg_match('/^\p{M}/u', $character) === 1 ? self::baseBefore($text, $at) : $character;
    }

    private static function isWordlike(string $character): bool
    {
        return strlen($character) === 1 ? ctype_alnum($character) : $character !== '' && preg_match('/^[\p{L}\p{N}]/u', $character) === 1;
    }
}
