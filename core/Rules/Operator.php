<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * How a leaf compares a fact with its value.
 */
enum Operator: string
{
    case Is = 'is';
    case IsNot = 'is_not';
    case In = 'in';
    case NotIn = 'not_in';
    case HasAnyWord = 'has_any_word';
    case HasAllWords = 'has_all_words';
    case HasNoWord = 'has_no_word';
    case StartsWith = 'starts_with';
    case EndsWith = 'ends_with';
    case MoreThan = 'more_than';
    case LessThan = 'less_than';
    case AtLeast = 'at_least';
    case AtMost = 'at_most';
    case IsEmpty = 'is_empty';
    case IsNotEmpty = 'is_not_empty';
    case Includes = 'includes';
    case IncludesNone = 'includes_none';

    public function needsValue(): bool
    {
        return $this !== self::IsEmpty && $this !== self::IsNotEmpty;
    }

    /**
     * Whether a value of this kind can be compared with.
     */
    public function takes(mixed $value): bool
    {
        return match ($this) {
            self::Is, self::IsNot => $value === null || is_scalar($value),
            self::In,
            self::NotIn => is_array($value) && self::each($value, static fn (mixed $item): bool => $item === null || is_scalar($item)),
            self::HasAnyWord,
            self::HasAllWords,
            self::HasNoWord,
            self::Includes,
            self::IncludesNone => is_array($value) && self::each($value, is_string(...)),
            self::StartsWith, self::EndsWith => is_string($value),
            self::MoreThan, self::LessThan, self::AtLeast, self::AtMost => is_int($value) || is_float($value),
            self::IsEmpty, self::IsNotEmpty => true,
        };
    }

    /**
     * What it takes, in words.
     */
    public function wants(): string
    {
        return match ($this) {
            self::Is, self::IsNot => 'one value, no list',
            self::In, self::NotIn => 'a list of values',
            self::HasAnyWord, self::HasAllWords, self::HasNoWord, self::Includes, self::IncludesNone => 'a list of strings',
            self::StartsWith, self::EndsWith => 'a string',
            self::MoreThan, self::LessThan, self::AtLeast, self::AtMost => 'a number',
            self::IsEmpty, self::IsNotEmpty => 'nothing',
        };
    }

    /**
     * @param  array<mixed>  $values
     * @param  callable(mixed): bool  $holds
     */
    private static function each(array $values, callable $holds): bool
    {
        foreach ($values as $value) {
            if (! $holds($value)) {
                return false;
            }
        }

        return true;
    }
}
