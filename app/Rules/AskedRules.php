<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\UnknownField;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule as CoreRule;
use Cairnfield\Core\Rules\RulesRefused;
use Closure;
use Illuminate\Database\Eloquent\Collection;

/**
 * Rules made ready to be asked many times: each condition read and checked once.
 */
final class AskedRules
{
    /** @var array<int, CoreRule> by id, in their order */
    private array $rules = [];

    /** @var array<int, list<string>> the events that each runs on */
    private array $events = [];

    /** @var list<int> that say: no further rules */
    private array $stopping = [];

    /** @var array<string, array{list<CoreRule>, list<string>}> those that run on some events, with the fields that they ask */
    private array $listening = [];

    /**
     * @param  Collection<int, Rule>  $rules  in their order
     * @param  Closure(Rule, string): void|null  $cannotBeAsked  told of each that asks for what is not there any more
     */
    public function __construct(Collection $rules, RuleFields $fields, ?Closure $cannotBeAsked = null)
    {
        foreach ($rules as $rule) {
            try {
                $condition = $fields->known($rule->asks());
            } catch (RulesRefused|UnknownField $why) {
                $condition = null;
                $cannotBeAsked === null ?: $cannotBeAsked($rule, $why->getMessage());
            }
            $this->rules[$rule->id] = new CoreRule($rule->id, $rule->way, $condition, $rule->actions);
            $this->events[$rule->id] = $rule->events;
            if (in_array(ActionKind::Stop->value, array_column($rule->actions, 'do'), true)) {
                $this->stopping[] = $rule->id;
            }
        }
    }

    /**
     * Whether this rule runs on one of these.
     *
     * @param  list<RuleEvent>  $events
     */
    public function hears(int $rule, array $events): bool
    {
        return array_intersect($this->events[$rule] ?? [], array_column($events, 'value')) !== [];
    }

    /**
     * What the rules would do that run on what happened; one that says stop cuts off those after it. Null where
     * none of them does.
     *
     * @return array{Plan, Facts}|null
     *
     * @throws UnknownField
     */
    public function plan(RuleTrigger $trigger, RuleFields $fields): ?array
    {
        [$asked, $keys] = $this->listening($trigger->entry === null ? null : $trigger->events);
        if ($asked === []) {
            return null;
        }
        $facts = $fields->factsOf($trigger, $keys);
        $plan = Plan::of($facts, ...$asked);
        foreach ($this->stopping === [] ? [] : $plan->matched as $id) {
            if (in_array($id, $this->stopping, true)) {
                $upTo = 1 + (int) array_search($id, array_map(static fn (CoreRule $rule): int|string => $rule->id, $asked), true);

                return [Plan::of($facts, ...array_slice($asked, 0, $upTo)), $facts];
            }
        }

        return [$plan, $facts];
    }

    /**
     * @param  list<RuleEvent>|null  $events  null: time alone made it happen, and all are asked
     * @return array{list<CoreRule>, list<string>}
     */
    private function listening(?array $events): array
    {
        $key = $events === null ? 'time' : implode(' ', array_column($events, 'value'));
        if (! isset($this->listening[$key])) {
            $asked = array_values(
                array_filter($this->rules, fn (CoreRule $rule): bool => $events === null || $this->hears((int) $rule->id, $events))
            );
            $conditions = array_filter(array_map(static fn (CoreRule $rule): ?Condition => $rule->condition, $asked));
            $this->listening[$key] = [$asked, RuleFields::askedBy(...array_values($conditions))];
        }

        return $this->listening[$key];
    }
}
