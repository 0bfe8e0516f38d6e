<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\UnknownField;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Support\Facades\DB;

/**
 * Keeps a rule, checked so that it can be carried out, and each change as a version. A new rule is off: it is
 * tried out first.
 */
final readonly class SaveRule
{
    /** What is done with a person, whose number stands as its value. */
    private const TO_A_PERSON = ['assign_person', ActionKind::Task->value, ActionKind::Tell->value, ActionKind::AskApproval->value];

    public function __construct(private RuleFields $fields) {}

    /**
     * @param  Rule|null  $rule  null for a new one
     *
     * @throws RuleRefused|RulesRefused|UnknownField
     */
    public function save(?Rule $rule, RuleToSave $written, Teammate $teammate): Rule
    {
        $this->check($written);

        return DB::transaction(function () use ($rule, $written, $teammate): Rule {
            $kept = $rule === null
                ? (new Rule)->forceFill(['teammate_id' => $teammate->id, 'version' => 0, 'on' => false, 'place' => self::lastPlace()])
                : Rule::query()->lockForUpdate()->findOrFail($rule->id);
            if ($rule !== null && $written->seen !== null && $written->seen !== $kept->version) {
                throw self::changedMeanwhile($kept);
            }
            $before = $rule === null ? null : self::content($kept);
            $this->fill($kept, $written)->forceFill([
                ...($rule !== null && $rule->clock == $written->clock?->toArray() ? [] : ['swept_from' => null, 'swept_to' => null]),
                // What was wrong with it may be mended now.
                'last_error' => null,
                'last_error_at' => null,
            ])->save();
            $this->version($kept, $before, $teammate);

            return $kept;
        });
    }

    /**
     * The same once more under another name, off: to be changed before it is tried out.
     */
    public function copy(Rule $rule, Teammate $teammate): Rule
    {
        return DB::transaction(function () use ($rule, $teammate): Rule {
            $kept = (new Rule)->forceFill([
                ...self::content($rule), 'name' => mb_substr("Copy of {$rule->name}", 0, 120), 'teammate_id' => $teammate->id,
                'version' => 0, 'on' => false, 'place' => self::lastPlace(),
            ]);
            $kept->save();
            $this->version($kept, null, $teammate);

            return $kept;
        });
    }

    /**
     * As an earlier version was, on or off as it is now; that is a new version.
     *
     * @throws RuleRefused|RulesRefused|UnknownField when it could not be carried out any more: what it names may be gone
     */
    public function goBackTo(Rule $rule, RuleVersion $version, Teammate $teammate): void
    {
        $content = $version->content;
        $this->fields->known(Condition::read(json_decode((string) json_encode($content['condition'], JSON_THROW_ON_ERROR))));
        array_map(RuleAction::of(...), $content['actions']);
        DB::transaction(function () use ($rule, $content, $teammate): void {
            $kept = Rule::query()->lockForUpdate()->findOrFail($rule->id);
            $before = self::content($kept);
            $isSameClock = ($content['clock'] ?? null) == $kept->clock;
            $kept->forceFill([
                ...$content, 'on' => $kept->on, ...($isSameClock ? [] : ['swept_from' => null, 'swept_to' => null]),
                'last_error' => null, 'last_error_at' => null,
            ])->save();
            $this->version($kept, $before, $teammate);
        });
    }

    private static function changedMeanwhile(Rule $rule): RuleRefused
    {
        $latest = RuleVersion::query()->where('rule_id', $rule->id)->with('teammate')->orderByDesc('version')->first();

        return RuleRefused::changedMeanwhile($latest?->teammate?->name, $latest?->what);
    }

    /**
     * As it is written and not kept: to be tried out. A new one has the number 0.
     *
     * @throws RuleRefused|RulesRefused|UnknownField
     */
    public function draft(?Rule $rule, RuleToSave $written): Rule
    {
        $this->check($written);

        return $this->fill(
            $rule === null
                ? (new Rule)->forceFill(['id' => 0, 'on' => false, 'place' => self::lastPlace()])
                : $rule->replicate()->forceFill(['id' => $rule->id]),
            $written
        );
    }

    /**
     * @throws RuleRefused|RulesRefused|UnknownField
     */
    private function check(RuleToSave $written): void
    {
        match (true) {
            self::name($written) === '' => throw RuleRefused::withoutName(),
            $written->events === [] && $written->clock === null => throw RuleRefused::withoutEvent(),
            $written->actions === [] => throw RuleRefused::withoutAction(),
            default => null,
        };
        $this->fields->known(Condition::read(json_decode((string) json_encode($written->condition, JSON_THROW_ON_ERROR))));
    }

    private function fill(Rule $rule, RuleToSave $written): Rule
    {
        return $rule->forceFill([
            'name' => mb_substr(self::name($written), 0, 120),
            'way' => $written->way,
            'events' => $written->clock !== null ? [] : array_map(static fn (RuleEvent $event): string => $event->value, $written->events),
            'clock' => $written->clock?->toArray(),
            'condition' => $written->condition,
            'actions' => array_map(static fn (RuleAction $action): array => $action->toArray(), $written->actions),
            'notes' => trim($written->notes) === '' ? null : mb_substr(trim($written->notes), 0, 5000),
            'changed_by' => $written->changedBy,
        ]);
    }

    private static function name(RuleToSave $written): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $written->name));
    }

    private static function lastPlace(): int
    {
        return 1 + (int) Rule::query()->whereNull('retired_at')->max('place');
    }

    /**
     * @throws RuleRefused|RulesRefused|UnknownField when it could not be carried out: what it names may be gone since it was written
     */
    public function switch(Rule $rule, bool $isOn, Teammate $teammate): void
    {
        if ($isOn) {
            $this->fields->known($rule->asks());
            array_map(RuleAction::of(...), $rule->actions);
        }
        DB::transaction(function () use ($rule, $isOn, $teammate): void {
            $kept = Rule::query()->lockForUpdate()->findOrFail($rule->id);
            if ($kept->on !== $isOn) {
                $before = self::content($kept);
                // With time, it begins to count when it is switched on.
                $kept->forceFill(['on' => $isOn, 'swept_from' => null, 'swept_to' => null])->save();
                $this->version($kept, $before, $teammate);
            }
        });
    }

    /**
     * Those in use that give work to somebody, tell them, or answer in their place.
     *
     * @return list<Rule>
     */
    public function naming(Teammate $person): array
    {
        return array_values(array_filter(
            Rule::inOrder()->get()->all(),
            static fn (Rule $rule): bool => self::withPerson($rule->actions, $person->id, 0) !== $rule->actions
        ));
    }

    /**
     * They name somebody else instead, each as a version of its own.
     */
    public function replacePerson(Teammate $person, Teammate $by, Teammate $teammate): void
    {
        foreach ($this->naming($person) as $rule) {
            DB::transaction(function () use ($rule, $person, $by, $teammate): void {
                $kept = Rule::query()->lockForUpdate()->findOrFail($rule->id);
                $before = self::content($kept);
                $kept->forceFill(['actions' => self::withPerson($kept->actions, $person->id, $by->id)])->save();
                $this->version($kept, $before, $teammate);
            });
        }
    }

    /**
     * @param  list<array<string, string>>  $actions
     * @return list<array<string, string>>
     */
    private static function withPerson(array $actions, int $person, int $instead): array
    {
        $put = static fn (array $action, string $key): array => ($action[$key] ?? null) === (string) $person
            ? [...$action, $key => (string) $instead]
            : $action;

        return array_map(static fn (array $action): array => $put(
            in_array($action['do'], self::TO_A_PERSON, true) ? $put($action, 'value') : $action, 'instead'
        ), $actions);
    }

    /**
     * Its answers go on, after it was looked at.
     */
    public function goOn(Rule $rule): void
    {
        $rule->forceFill(['stopped_at' => null, 'last_error' => null, 'last_error_at' => null])->save();
    }

    /**
     * Puts a rule at a place, counted from 1; the others move up or down.
     */
    public function put(Rule $rule, int $place): void
    {
        DB::transaction(function () use ($rule, $place): void {
            $others = array_values(
                array_filter(Rule::inOrder()->lockForUpdate()->get()->all(), static fn (Rule $other): bool => $other->id !== $rule->id)
            );
            array_splice($others, max(0, min(count($others), $place - 1)), 0, [$rule]);
            foreach ($others as $index => $one) {
                Rule::query()->whereKey($one->id)->toBase()->update(['place' => $index + 1]);
            }
        });
    }

    /**
     * Out of use, and off; its runs stay.
     */
    public function retire(Rule $rule, bool $isRetired, Teammate $teammate): void
    {
        if ($isRetired) {
            $this->switch($rule, false, $teammate);
        }
        $rule->refresh()->forceFill(['retired_at' => $isRetired ? now() : null])->save();
    }

    /**
     * @return array<string, mixed>
     */
    private static function content(Rule $rule): array
    {
        return [
            'name' => $rule->name,
            'way' => $rule->way->value,
            'on' => $rule->on,
            'events' => $rule->events,
            'clock' => $rule->clock,
            'condition' => $rule->condition,
            'actions' => $rule->actions, 'notes' => $rule->notes, 'changed_by' => $rule->changed_by->value,
        ];
    }

    /**
     * @param  array<string, mixed>|null  $before
     */
    private function version(Rule $rule, ?array $before, Teammate $teammate): void
    {
        $content = self::content($rule);
        // Through JSON, since the database gives back the keys of objects in an order of its own.
        $changed = $before === null
            ? ['made']
            : array_keys(
                array_filter($content, static fn (mixed $value, string $key): bool => $value != $before[$key], ARRAY_FILTER_USE_BOTH)
            );
        if ($changed === []) {
            return;
        }
        $rule->forceFill(['version' => $rule->version + 1])->save();
        $words = [
            'events' => 'when it runs', 'clock' => 'its times', 'condition' => 'which it is for', 'actions' => 'what it does',
            'way' => 'every or ladder', 'changed_by' => 'who may change it', 'on' => $rule->on ? 'switched on' : 'switched off',
        ];
        (new RuleVersion)->forceFill([
            'rule_id' => $rule->id, 'version' => $rule->version, 'teammate_id' => $teammate->id, 'content' => $content,
            'what' => implode(', ', array_map(static fn (string $part): string => $words[$part] ?? $part, $changed)), 'at' => now(),
        ])->save();
    }
}
