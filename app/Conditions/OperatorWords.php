<?php

declare(strict_types=1);

namespace App\Conditions;

use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Text\FoldedPhrase;

/**
 * How operators read in a sentence.
 */
final class OperatorWords
{
    /**
     * @param  bool  $isOne  whether it is asked of one value only, where there could be several
     */
    public static function of(Operator $operator, bool $isOne = false): string
    {
        return match ($operator) {
            Operator::In,
            Operator::NotIn,
            Operator::Includes,
            Operator::IncludesNone => $isOne ? self::ofOne($operator) : self::ofSeveral($operator),
            Operator::Is => 'is',
            Operator::IsNot => 'is not',
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
        };
    }

    private static function ofOne(Operator $operator): string
    {
        return match ($operator) {
            Operator::In => 'is',
            Operator::NotIn => 'is not',
            Operator::Includes => 'has',
            default => 'has not',
        };
    }

    private static function ofSeveral(Operator $operator): string
    {
        return match ($operator) {
            Operator::In => 'is one of',
            Operator::NotIn => 'is none of',
            Operator::Includes => 'has one of',
            default => 'has none of',
        };
    }

    /**
     * How words that are looked for are understood, as somebody writes them.
     *
     * @param  list<string>  $written
     */
    public static function understood(array $written): string
    {
        $said = [];
        foreach ($written as $one) {
            $phrase = FoldedPhrase::of($one);
            $said[] = match (true) {
                $phrase->text === '' => "“{$one}” has no letter or digit: it is found nowhere",
                $phrase->openEnds() === [true, true] => "“{$phrase->text}” anywhere in a word",
                $phrase->openEnds() === [false, true] => "words that begin with “{$phrase->text}”",
                $phrase->openEnds() === [true, false] => "words that end with “{$phrase->text}”",
                strpbrk($phrase->text, ' -') !== false => "“{$phrase->text}” in a row, with spaces or hyphens",
                default => "“{$phrase->text}” as a whole word",
            };
        }

        return implode('; ', $said);
    }
}
