<?php

declare(strict_types=1);

use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule;
use Cairnfield\Core\Rules\Way;

/**
 * The same once more in the plainest words: the rules that count, then each action in turn, the last to set a
 * value wins, and what was there already is left out.
 *
 * @param  list<array{string, bool, bool, list<array<string, string>>}>  $rules  id, whether it is of the ladder, whether it holds, actions
 * @return array{list<string>, list<array<string, string>>, list<array<string, string>>}
 */
function plainPlan(array $rules): array
{
    $counting = [];
    $climbed = false;
    foreach ($rules as [$id, $ofLadder, $holds, $actions]) {
        if ($holds && ! ($ofLadder && $climbed)) {
            $counting[$id] = $actions;
            $climbed = $climbed || $ofLadder;
        }
    }
    $all = [];
    foreach ($counting as $id => $actions) {
        foreach ($actions as $action) {
            $all[] = ['rule' => (string) $id, ...$action];
        }
    }
    $done = $overruled = [];
    foreach ($all as $place => $action) {
        $by = null;
        foreach ($all as $otherPlace => $other) {
            $sameDo = $other['do'] === $action['do'];
            if (in_array($action['do'], ['set_priority', 'set_status', 'assign_person'], true)) {
                $by = $sameDo && $otherPlace > $place ? $other['rule'] : $by;
            } elseif (
                $by === null
                    && $otherPlace < $place
                    && $sameDo
                    && array_diff_key($other, ['rule' => 0]) === array_diff_key($action, ['rule' => 0])
            ) {
                $by = $other['rule'];
            }
        }
        if ($by === null) {
            $done[] = $action;
        } else {
            $overruled[] = ['rule' => $action['rule'], 'do' => $action['do'], 'by' => $by];
        }
    }

    return [array_map(strval(...), array_keys($counting)), $done, $overruled];
}

it('plans as the plain words say, whatever the rules', function (int $seed): void {
    mt_srand($seed);
    for ($round = 0; $round < 60; $round++) {
        $plain = $rules = [];
        foreach (range(1, mt_rand(1, 7)) as $number) {
            $actions = array_map(static fn (): array => match (mt_rand(0, 4)) {
                0 => ['do' => 'set_priority', 'value' => ['low', 'high'][mt_rand(0, 1)]],
                1 => ['do' => 'set_status', 'value' => 'held'],
                2 => ['do' => 'assign_person', 'value' => (string) mt_rand(1, 2)],
                3 => ['do' => 'add_tag', 'text' => ['late', 'festival'][mt_rand(0, 1)]],
                default => ['do' => 'tell', 'value' => 'leads', 'text' => 'x'],
            }, range(1, mt_rand(1, 3)));
            $ofLadder = mt_rand(0, 2) === 0;
            $holds = mt_rand(0, 3) > 0;
            $plain[] = ["r{$number}", $ofLadder, $holds, $actions];
            $rules[] = new Rule(
                "r{$number}", $ofLadder ? Way::Ladder : Way::Every,
                Condition::read(json_decode($holds ? '{"all": []}' : '{"any": []}')), $actions
            );
        }
        [$matched, $done, $overruled] = plainPlan($plain);
        $plan = Plan::of(Facts::of([]), ...$rules);
        expect($plan->matched)->toBe($matched)
            ->and(array_map(static fn (array $action): array => [$action['rule'], array_diff_key($action, ['rule' => 0])], $plan->actions))
            ->toEqual(array_map(static fn (array $action): array => [$action['rule'], array_diff_key($action, ['rule' => 0])], $done))
            ->and($plan->overruled)->toEqual($overruled);
    }
})->with([1, 2, 3, 4, 5, 6]);

it('passes over a rule that is off, and the ladder goes on to the next', function (): void {
    $holds = Condition::read(json_decode('{"all": []}'));
    $plan = Plan::of(
        Facts::of([]), new Rule('off', Way::Ladder, null, [['do' => 'stop']]), new Rule('first', Way::Ladder, $holds, []),
        new Rule('second', Way::Ladder, $holds, []), new Rule('every', Way::Every, $holds, [])
    );

    expect($plan->matched)->toBe(['first', 'every']);
});

it('takes two actions for the same whatever the order in which they are written', function (): void {
    $holds = Condition::read(json_decode('{"all": []}'));
    $plan = Plan::of(
        Facts::of([]), new Rule('a', Way::Every, $holds, [['do' => 'tell', 'value' => 'leads', 'text' => 'Look']]),
        new Rule('b', Way::Every, $holds, [['text' => 'Look', 'do' => 'tell', 'value' => 'leads']])
    );

    expect($plan->actions)->toHaveCount(1)->and($plan->overruled)->toBe([['rule' => 'b', 'do' => 'tell', 'by' => 'a']]);
});

it('sees who overrules whom also within one rule', function (): void {
    $holds = Condition::read(json_decode('{"all": []}'));
    $plan = Plan::of(
        Facts::of([]),
        new Rule('a', Way::Every, $holds, [['do' => 'set_priority', 'value' => 'low'], ['do' => 'set_priority', 'value' => 'high']])
    );

    expect($plan->actions)
        ->toBe([['do' => 'set_priority', 'value' => 'high', 'rule' => 'a']])
        ->and($plan->overruled)
        ->toBe([['rule' => 'a', 'do' => 'set_priority', 'by' => 'a']]);
});
