<?php

declare(strict_types=1);

namespace App\Promises;

use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Way;

/**
 * What a promise set does at the warning and at the miss: each a rule that is written with the set, and carried out, traced and tried
 * again like any other.
 */
final readonly class WhatSetsDo
{
    public const WHEN = ['warning' => RuleEvent::PromiseWarned, 'miss' => RuleEvent::PromiseMissed];

    public function __construct(private SaveRule $save) {}

    /**
     * @return array<string, list<array<string, string>>> actions by `warning` and `miss`
     */
    public function of(?PromiseSet $set): array
    {
        return array_map(fn (RuleEvent $event): array => $set === null ? [] : $this->rule($set, $event)->actions ?? [], self::WHEN);
    }

    /**
     * In the transaction in which the set is saved.
     *
     * @param  array<string, list<RuleAction>>  $does  by `warning` and `miss`
     */
    public function keep(PromiseSet $set, array $does, Teammate $teammate): void
    {
        foreach (self::WHEN as $when => $event) {
            $rule = $this->rule($set, $event, false);
            if (($does[$when] ?? []) === []) {
                $rule === null || $rule->retired_at !== null ?: $this->save->retire($rule, true, $teammate);

                continue;
            }
            $saved = $this->save->save($rule, new RuleToSave(
                mb_strimwidth($set->name, 0, 90, '…').($when === 'warning' ? ': about to be missed' : ': missed'), Way::Every, [$event],
                ['all' => [['field' => 'promise_set', 'op' => 'in', 'value' => [(string) $set->id]]]], $does[$when],
                'Written with the promise set.', ChangedBy::Leads
            ), $teammate);
            $saved->forceFill(['promise_set_id' => $set->id, 'retired_at' => null])->save();
            $this->save->switch($saved, true, $teammate);
        }
    }

    /**
     * @return array<int, array<string, Rule>> those that are on, by set, then by `warning` and `miss`
     */
    public function all(): array
    {
        $all = [];
        foreach (Rule::inOrder()->whereNotNull('promise_set_id')->where('on', true)->get() as $rule) {
            $when = array_search($rule->listensTo()[0] ?? null, self::WHEN, true);
            $when === false ?: $all[(int) $rule->promise_set_id][$when] = $rule;
        }

        return $all;
    }

    private function rule(PromiseSet $set, RuleEvent $event, bool $inUse = true): ?Rule
    {
        return Rule::query()->where('promise_set_id', $set->id)->get()->first(
            static fn (Rule $rule): bool => in_array($event, $rule->listensTo(), true) && (! $inUse || $rule->retired_at === null)
        );
    }
}
