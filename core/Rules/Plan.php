<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * What a list of rules would do, before anything is done: which match, what stands, and what a later
 * rule overrules or an earlier one does already.
 */
final readonly class Plan
{
    /** Actions that set one value: the last one stands. */
    private const SETS_ONE_VALUE = ['set_priority', 'set_status', 'set_category', 'assign_person', 'assign_team', 'set_language'];

    /**
     * @param  list<string|int>  $matched  ids, in the order of the rules
     * @param  list<array<string, mixed>>  $actions  each with its `rule`
     * @param  list<array{rule: string|int, do: string, by: string|int}>  $overruled
     */
    private function __construct(public array $matched, public array $actions, public array $overruled) {}

    public static function of(Facts $facts, Rule ...$rules): self
    {
        $counting = self::counting($facts, array_values($rules));
        $last = [];
        foreach ($counting as $rule) {
            foreach ($rule->actions as $index => $action) {
                $last[$action['do']] = [$rule->id, $index];
            }
        }
        $actions = $overruled = $first = [];
        foreach ($counting as $rule) {
            foreach ($rule->actions as $index => $action) {
                $do = $action['do'];
                $by = self::setsOneValue($do)
                    ? ($last[$do] === [$rule->id, $index] ? null : $last[$do][0])
                    : self::repeats($action, $rule->id, $first);
                if ($by === null) {
                    $actions[] = [...$action, 'rule' => $rule->id];
                } else {
                    $overruled[] = ['rule' => $rule->id, 'do' => $do, 'by' => $by];
                }
            }
        }

        return new self(array_map(static fn (Rule $rule): string|int => $rule->id, $counting), $actions, $overruled);
    }

    /**
     * Whether of this action, as `do` names it, only the last one stands.
     */
    public static function setsOneValue(string $do): bool
    {
        return in_array($do, self::SETS_ONE_VALUE, true);
    }

    /**
     * @param  list<Rule>  $rules
     * @return list<Rule>
     */
    private static function counting(Facts $facts, array $rules): array
    {
        $counting = [];
        $isLadderDone = false;
        foreach ($rules as $rule) {
            if ($rule->condition === null || ($rule->way === Way::Ladder && $isLadderDone) || ! $rule->condition->matches($facts)) {
                continue;
            }
            $isLadderDone = $isLadderDone || $rule->way === Way::Ladder;
            $counting[] = $rule;
        }

        return $counting;
    }

    /**
     * @param  array<string, mixed>  $action
     * @param  array<string, string|int>  $first  by the action as JSON, the rule that has it first
     * @return string|int|null the rule that does exactly this already
     */
    private static function repeats(array $action, string|int $rule, array &$first): string|int|null
    {
        $key = json_encode(self::inOrder($action), JSON_THROW_ON_ERROR);
        $by = $first[$key] ?? null;
        $first[$key] ??= $rule;

        return $by;
    }

    /**
     * The order of an object's keys says nothing.
     */
    private static function inOrder(mixed $value): mixed
    {
        if (is_object($value)) {
            $value = get_object_vars($value);
        }
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value);
        }

        return array_map(self::inOrder(...), $value);
    }
}
