<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

use Cairnfield\Core\Text\FoldedPhrase;
use Cairnfield\Core\Text\Folding;

/**
 * Compares one fact with one value.
 *
 * Equal means of one type: strings by folding, numbers by value, true, false and null as they are.
 * For a fact that is a list, `is`, `in`, the words, `starts_with` and `ends_with` hold where one of its
 * items alone makes them hold, and `is_not`, `not_in` and `has_no_word` where none does the opposite.
 */
final readonly class Leaf implements Node
{
    /**
     * @param  list<FoldedPhrase>  $phrases  the words looked for
     * @param  list<string>  $texts  the strings of the value, folded
     */
    private function __construct(
        public string $field,
        public Operator $operator,
        public mixed $value,
        private array $phrases,
        private array $texts,
    ) {}

    /**
     * @param  mixed  $value  one that the operator takes
     */
    public static function of(string $field, Operator $operator, mixed $value = null): self
    {
        $strings = array_values(array_filter(is_array($value) ? $value : [$value], is_string(...)));
        $seeksWords = in_array($operator, [Operator::HasAnyWord, Operator::HasAllWords, Operator::HasNoWord], true);

        return new self(
            $field,
            $operator,
            $value,
            $seeksWords ? array_map(FoldedPhrase::of(...), $strings) : [],
            $seeksWords ? [] : array_map(Folding::fold(...), $strings),
        );
    }

    public function matches(Facts $facts): bool
    {
        $fact = $facts->value($this->field);

        return match ($this->operator) {
            Operator::Is => $this->isAny($fact, $facts, [$this->value]),
            Operator::IsNot => ! $this->isAny($fact, $facts, [$this->value]),
            Operator::In => $this->isAny($fact, $facts, (array) $this->value),
            Operator::NotIn => ! $this->isAny($fact, $facts, (array) $this->value),
            Operator::HasAnyWord => $this->oneText($fact, $facts, $this->hasAnyWord(...)),
            Operator::HasNoWord => ! $this->oneText($fact, $facts, $this->hasAnyWord(...)),
            Operator::HasAllWords => $this->oneText($fact, $facts, $this->hasAllWords(...)),
            Operator::StartsWith => $this->texts[0] !== '' && $this->oneText(
                $fact, $facts, fn (string $text): bool => str_starts_with($text, $this->texts[0])
            ),
            Operator::EndsWith => $this->texts[0] !== '' && $this->oneText(
                $fact, $facts, fn (string $text): bool => str_ends_with($text, $this->texts[0])
            ),
            Operator::MoreThan => self::isNumber($fact) && $fact > $this->value,
            Operator::LessThan => self::isNumber($fact) && $fact < $this->value,
            Operator::AtLeast => self::isNumber($fact) && $fact >= $this->value,
            Operator::AtMost => self::isNumber($fact) && $fact <= $this->value,
            Operator::IsEmpty => $this->isEmpty($fact, $facts),
            Operator::IsNotEmpty => ! $this->isEmpty($fact, $facts),
            Operator::Includes => array_intersect($this->texts, $facts->foldedItems($this->field)) !== [],
            Operator::IncludesNone => array_intersect($this->texts, $facts->foldedItems($this->field)) === [],
        };
    }

    public function decides(Facts $facts, array $unknown): ?bool
    {
        return array_key_exists($this->field, $unknown) ? null : $this->matches($facts);
    }

    public function because(Facts $facts): ?array
    {
        return $this->matches($facts) ? [$this] : null;
    }

    /**
     * @param  array<mixed>  $values
     */
    private function isAny(mixed $fact, Facts $facts, array $values): bool
    {
        if (is_array($fact)) {
            return array_intersect($this->texts, $facts->foldedItems($this->field)) !== [];
        }
        if (is_string($fact)) {
            return in_array($facts->folded($this->field), $this->texts, true);
        }
        foreach ($values as $value) {
            if (self::isNumber($fact) ? self::isNumber($value) && $fact == $value : $fact === $value) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  callable(string): bool  $holds
     */
    private function oneText(mixed $fact, Facts $facts, callable $holds): bool
    {
        if (is_string($fact)) {
            return $holds($facts->folded($this->field));
        }
        foreach ($facts->foldedItems($this->field) as $item) {
            if ($holds($item)) {
                return true;
            }
        }

        return false;
    }

    private function hasAnyWord(string $text): bool
    {
        foreach ($this->phrases as $phrase) {
            if ($phrase->isIn($text)) {
                return true;
            }
        }

        return false;
    }

    private function hasAllWords(string $text): bool
    {
        foreach ($this->phrases as $phrase) {
            if (! $phrase->isIn($text)) {
                return false;
            }
        }

        return $this->phrases !== [];
    }

    private function isEmpty(mixed $fact, Facts $facts): bool
    {
        return $fact === null || $fact === [] || (is_string($fact) && $facts->folded($this->field) === '');
    }

    /**
     * @phpstan-assert-if-true int|float $value
     */
    private static function isNumber(mixed $value): bool
    {
        return is_int($value) || is_float($value);
    }
}
