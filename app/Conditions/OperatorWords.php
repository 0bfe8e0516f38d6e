<?php

declare(strict_types=1);

namespace App\Conditions;

use Cairnfield\Core\Rules\Operator;

/**
 * How operators read in a sentence.
 */
final class OperatorWords
{
    public static function of(Operator $operator): string
    {
        return match ($operator) {
            Operator::Is => 'is',
            Operator::IsNot => 'is not',
            Operator::In => 'is one of',
            Operator::NotIn => 'is none of',
            Operator::HasAnyWord => 'has one of the words',
            Operator::HasAllWords => 'has all the words',
            Operator::HasNoWord => 'has none of the words',
            Operator::StartsWith => 'begins with',
            Operator::EndsWith => 'ends with',
            Operator::MoreThan => 'is more than',
            Operator::LessThan => 'is less than',
            Operator::AtLeast => 'is at least',
            Operator::AtMost => 'is at most',
            Operator::IsEmpty => 'is empty',
            Operator::IsNotEmpty => 'is filled in',
            Operator::Includes => 'has one of',
            Operator::IncludesNone => 'has none of',
        };
    }
}
