<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\UnknownField;
use App\Hours\Calendars;
use App\Hours\CountsInHours;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Support\Facades\DB;

/**
 * Changes what is promised: each change is a version, and what is running is reckoned anew in the background.
 */
final readonly class SavePromiseSet implements CountsInHours
{
    public function __construct(private Calendars $calendars, private PromiseSets $sets, private PromiseFields $fields) {}

    /**
     * A new one is tried before all others: it is for somebody whom these would fit, too.
     *
     * @throws RulesRefused|UnknownField
     */
    public function save(?PromiseSet $set, PromiseSetToSave $written, ?Teammate $teammate): PromiseSet
    {
        foreach (Condition::read(json_decode((string) json_encode($written->condition)))->leaves() as $leaf) {
            $this->fields->get($leaf->field);
        }
        $kept = DB::transaction(function () use ($set, $written, $teammate): PromiseSet {
            $kept = $set === null
                ? (new PromiseSet)->forceFill(['version' => 0, 'on' => true, 'place' => 0])
                : PromiseSet::query()->lockForUpdate()->findOrFail($set->id);
            $before = $set === null ? null : $this->content($kept);
            $kept->forceFill(['name' => $written->name, 'condition' => $written->condition, 'targets' => $written->targets])->save();
            $set === null && $this->renumber();
            $this->version($kept, $before, $teammate);

            return $kept;
        });
        $this->sets->forget();

        return $kept->refresh();
    }

    public function switch(PromiseSet $set, bool $isOn, Teammate $teammate): void
    {
        DB::transaction(function () use ($set, $isOn, $teammate): void {
            $kept = PromiseSet::query()->lockForUpdate()->findOrFail($set->id);
            $before = $this->content($kept);
            $kept->forceFill(['on' => $isOn])->save();
            $this->version($kept, $before, $teammate);
        });
        $this->sets->forget();
    }

    /**
     * Out of use; its record stays.
     */
    public function retire(PromiseSet $set, bool $isRetired, Teammate $teammate): void
    {
        DB::transaction(function () use ($set, $isRetired, $teammate): void {
            $kept = PromiseSet::query()->lockForUpdate()->findOrFail($set->id);
            $before = $this->content($kept);
            $kept->forceFill(['retired_at' => $isRetired ? now() : null, 'on' => ! $isRetired, 'place' => 0])->save();
            $this->renumber();
            $this->version($kept, $before, $teammate);
        });
        $this->sets->forget();
    }

    /**
     * Puts it at a place, counted from 1; the others move up or down.
     */
    public function put(PromiseSet $set, int $place): void
    {
        DB::transaction(function () use ($set, $place): void {
            $others = array_values(array_filter(
                PromiseSet::inOrder()->lockForUpdate()->get()->all(), static fn (PromiseSet $one): bool => $one->id !== $set->id
            ));
            array_splice($others, max(0, min(count($others), $place - 1)), 0, [$set]);
            foreach ($others as $index => $one) {
                PromiseSet::query()->whereKey($one->id)->update(['place' => $index + 1]);
            }
            Recount::begin("“{$set->name}” is tried at another place");
        });
        $this->sets->forget();
    }

    /**
     * Its hours have changed: so have the sets that count in them.
     */
    public function changed(int $calendar, string $name): void
    {
        $this->sets->forget();
        DB::transaction(function () use ($calendar, $name): void {
            foreach (PromiseSet::inOrder()->lockForUpdate()->get() as $set) {
                if (in_array($calendar, array_column($set->targets, 'calendar'), true)) {
                    $this->keep($set, null, "the hours “{$name}”");
                }
            }
        });
        $this->sets->forget();
    }

    public function namesIn(int $calendar): array
    {
        return array_values(PromiseSet::inOrder()->get()
            ->filter(static fn (PromiseSet $set): bool => in_array($calendar, array_column($set->targets, 'calendar'), true))
            ->map(static fn (PromiseSet $set): string => "the promise set “{$set->name}”")->all());
    }

    /**
     * A version that is not kept: to see what it would do.
     */
    public function draft(?PromiseSet $set, PromiseSetToSave $written): PromiseSetVersion
    {
        $drafted = ($set ?? new PromiseSet)->replicate()->forceFill([
            'name' => $written->name, 'condition' => $written->condition, 'targets' => $written->targets, 'on' => true,
        ]);

        return (new PromiseSetVersion)->forceFill([
            'promise_set_id' => $set->id ?? 0, 'version' => 0, 'since' => '2000-01-01 00:00:00',
            'content' => $this->content($drafted),
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private function content(PromiseSet $set): array
    {
        $calendars = [];
        foreach (array_filter(array_column($set->targets, 'calendar')) as $id) {
            // Without its hours it would be measured by the clock, and nobody would see it.
            $calendar = $this->calendars->all()->get($id) ?? throw PromiseRefused::hoursGone($set->name);
            $calendars[$id] = $calendar->definition();
        }

        return [
            'name' => $set->name, 'on' => $set->on, 'condition' => $set->condition, 'targets' => $set->targets,
            'calendars' => $calendars === [] ? new \stdClass : $calendars,
        ];
    }

    /**
     * @param  array<string, mixed>|null  $before
     */
    private function version(PromiseSet $set, ?array $before, ?Teammate $teammate): void
    {
        $words = [
            'condition' => 'which it is for', 'targets' => 'what is promised', 'calendars' => 'its hours',
            'on' => $set->on ? 'switched on' : 'switched off',
        ];
        $changed = $before === null ? ['made'] : array_keys(array_filter(
            $this->content($set), static fn (mixed $value, string $key): bool => json_encode($value) !== json_encode($before[$key]),
            ARRAY_FILTER_USE_BOTH
        ));
        $changed === [] ?: $this->keep(
            $set, $teammate, implode(', ', array_map(static fn (string $part): string => $words[$part] ?? $part, $changed))
        );
    }

    private function keep(PromiseSet $set, ?Teammate $teammate, string $what): void
    {
        $set->forceFill(['version' => $set->version + 1])->save();
        (new PromiseSetVersion)->forceFill([
            'promise_set_id' => $set->id, 'version' => $set->version, 'teammate_id' => $teammate?->id, 'content' => $this->content($set),
            'what' => mb_substr($what, 0, 300), 'since' => now()->startOfSecond(),
        ])->save();
        Recount::begin("“{$set->name}”: {$what}");
    }

    private function renumber(): void
    {
        foreach (PromiseSet::inOrder()->get() as $index => $one) {
            PromiseSet::query()->whereKey($one->id)->update(['place' => $index + 1]);
        }
    }
}
