<?php

declare(strict_types=1);

namespace App\Conditions;

use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;

/**
 * A leaf about one number as SQL over an expression that is null where there is none.
 */
trait AsksNumbers
{
    /**
     * The leaf's question without its negation: for `is_not` that of `is`.
     *
     * @param  string  $number  an SQL expression of ours
     */
    private function numberHolds(string $number, Leaf $leaf): string
    {
        $values = is_array($leaf->value) ? array_values($leaf->value) : [$leaf->value];

        return match ($leaf->operator) {
            Operator::MoreThan => "{$number} > ".self::literal($values[0]),
            Operator::LessThan => "{$number} < ".self::literal($values[0]),
            Operator::AtLeast => "{$number} >= ".self::literal($values[0]),
            Operator::AtMost => "{$number} <= ".self::literal($values[0]),
            Operator::Is, Operator::IsNot, Operator::In, Operator::NotIn => '('.(implode(' OR ', array_filter(array_map(
                static fn (mixed $value): string => match (true) {
                    $value === null => "{$number} IS NULL",
                    is_int($value), is_float($value) => "{$number} = ".self::literal($value),
                    default => '0',
                },
                $values,
            ))) ?: '0').')',
            Operator::IsEmpty, Operator::IsNotEmpty => "{$number} IS NULL",
            default => '0',
        };
    }

    /**
     * Only numbers get here, as the operator takes nothing else.
     */
    private static function literal(mixed $value): string
    {
        return is_int($value) || is_float($value) ? (string) json_encode($value) : 'NULL';
    }
}
