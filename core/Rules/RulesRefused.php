<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

use Cairnfield\Core\Refusal;

/**
 * What is no condition that could be asked.
 */
final class RulesRefused extends Refusal
{
    public static function tooLarge(string $at): self
    {
        return new self('condition_too_large', 'The condition is larger than 500 parts or nested deeper than 20. Split it in two.', $at);
    }

    public static function unknownOperator(string $at): self
    {
        return new self(
            'unknown_op', 'The operator is not known. Known are: '.implode(', ', array_column(Operator::cases(), 'value')).'.', $at
        );
    }

    public static function badCondition(string $what, string $at): self
    {
        return new self('bad_condition', $what, $at);
    }
}
