<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule;
use Cairnfield\Core\Rules\Way;

final class PlanRules implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Says what a list of rules would do for these facts.
              rules  in their order: {"id", "way": "every" | "ladder", "on": bool, "condition", "actions": [{"do": "set_priority", ...}]}
              facts  an object: field to string, number, bool, null or list of strings
            Result: {"matched": ["a"], "actions": [{"rule": "a", "do": "set_priority", ...}], "overruled": [{"rule", "do", "by"}]}
            Errors: bad_input, condition_too_large, unknown_op, bad_condition
            HELP;
    }

    public function reckon(Fields $case): array
    {
        // Everything but the conditions first: bad input comes before a condition that cannot be asked.
        $read = [];
        foreach ($case->objects('rules') as $index => $fields) {
            $id = $fields->value('id');
            if (! is_string($id) && ! is_int($id)) {
                throw BadInput::expected('a string', $fields->at('id'));
            }
            if (isset($read["{$id}"])) {
                throw BadInput::expected('an id that no other rule has', $fields->at('id'));
            }
            $read["{$id}"] = [
                $id,
                Way::tryFrom($fields->string('way')) ?? throw BadInput::expected("'every' or 'ladder'", $fields->at('way')),
                $fields->boolean('on') ? $fields->value('condition') : null,
                $this->actions($fields),
                "rules[{$index}].condition",
            ];
        }
        $facts = Facts::read($case->object('facts'));
        $plan = Plan::of($facts, ...array_values(array_map(static fn (array $rule): Rule => new Rule(
            $rule[0],
            $rule[1],
            $rule[2] === null ? null : Condition::read($rule[2], $rule[4]),
            $rule[3],
        ), $read)));

        return ['matched' => $plan->matched, 'actions' => $plan->actions, 'overruled' => $plan->overruled];
    }

    /**
     * @return list<non-empty-array<string, mixed>&array{do: string}>
     */
    private function actions(Fields $fields): array
    {
        $actions = [];
        foreach ($fields->objects('actions') as $action) {
            /** @var array<string, mixed> $parameters */
            $parameters = get_object_vars($action->raw());
            $parameters['do'] = $action->string('do');
            $actions[] = $parameters;
        }

        return $actions;
    }
}
