<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;

final class MatchCondition implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Asks whether a condition holds for facts, and why.
              condition  {"all": [...]}, {"any": [...]}, {"not": ...} or {"field": "subject", "op": "has_any_word", "value": ["refund"]}
              facts      an object: field to string, number, bool, null or list of strings
            Result: {"matched": true, "because": [{"field", "op", "value", "found"}]}
            Errors: bad_input, condition_too_large, unknown_op, bad_condition
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $condition = $case->value('condition');
        $facts = Facts::read($case->object('facts'));
        $because = Condition::read($condition)->because($facts);

        return [
            'matched' => $because !== null,
            'because' => array_map(static fn (Leaf $leaf): array => [
                'field' => $leaf->field,
                'op' => $leaf->operator->value,
                'value' => $leaf->value,
                'found' => $facts->value($leaf->field),
            ], $because ?? []),
        ];
    }
}
