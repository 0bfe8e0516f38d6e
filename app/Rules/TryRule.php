<?php

declare(strict_types=1);

namespace App\Rules;

use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Promises\StoreHours;
use Cairnfield\Core\Rules\Circles;
use Cairnfield\Core\Rules\Leaf;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Runs a rule, on or not yet, against what happened in the last days, beside all rules that are on. Changes
 * nothing. What it asks of conversations and customers is answered as they are now.
 */
final readonly class TryRule
{
    /** The latest of what happened; beyond this it would take longer than anybody waits. */
    public const MOST = 20_000;

    private const AT_ONCE = 1000;

    private const SHOWN = 100;

    public function __construct(private Occasions $occasions, private RuleFields $fields, private StoreHours $hours) {}

    /**
     * @param  int  $days  how far back, from 1
     */
    public function over(Rule $rule, int $days): TriedRule
    {
        $clock = $rule->runsWith();
        if ($clock !== null) {
            return $this->overTime($rule, $clock, $days);
        }
        $kinds = array_values(array_unique(array_map(static fn (RuleEvent $event): string => $event->kind()->value, $rule->listensTo())));
        $ids = array_map(intval(...), DB::table('journal')->where('at', '>=', now()->subDays($days))->whereIn('kind', $kinds)->orderByDesc('id')->limit(self::MOST)->pluck('id')->all());
        /** @var Collection<int, Rule> $all */
        $all = Rule::inOrder()->where('on', true)->whereNull('clock')->whereKeyNot($rule->id)->get()->push($rule)->sortBy(static fn (Rule $one): array => [$one->place, $one->id])->keyBy('id');
        $names = $all->pluck('name', 'id')->all();
        $condition = $this->fields->known($rule->asks());
        // The message's own are few; they come along for all.
        $readsOfAll = RunRules::readBy($all);
        $reads = array_values(array_unique([...RuleFields::reads($condition), ...array_filter($readsOfAll, static fn (string $one): bool => str_starts_with($one, 'message.'))]));
        $asked = new AskedRules($all, $this->fields);
        $own = RuleFields::askedBy($condition);
        $looked = $matched = 0;
        $rows = $fights = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
            $fitting = [];
            foreach (array_reverse($this->occasions->ofEntries(array_values($chunk), $reads)) as $occasion) {
                if ($asked->hears($rule->id, $occasion->events)) {
                    $looked++;
                    if ($condition->matches($this->fields->factsOf($occasion, $own))) {
                        $fitting[] = $occasion;
                    }
                }
            }
            // Only where it fits do the others matter, and what they ask.
            (new Collection(array_map(static fn (Occasion $occasion): Conversation => $occasion->conversation, $fitting)))->loadMissing(array_values(array_filter($readsOfAll, static fn (string $one): bool => ! str_starts_with($one, 'message.'))));
            foreach ($fitting as $occasion) {
                [$plan, $facts] = $asked->plan($occasion, $this->fields) ?? [null, null];
                if ($plan === null || $facts === null || ! in_array($rule->id, $plan->matched, true)) {
                    continue;
                }
                $matched++;
                $overruled = [];
                foreach ($plan->overruled as $one) {
                    if (($one['rule'] === $rule->id) !== ($one['by'] === $rule->id)) {
                        $overruled[] = $one;
                        $other = (int) ($one['rule'] === $rule->id ? $one['by'] : $one['rule']);
                        $key = "{$other}-{$one['do']}-".($one['by'] === $rule->id ? 'over' : 'under');
                        $fights[$key] = [$names[$other], ActionKind::tryFrom($one['do'])?->label() ?? $one['do'], $one['by'] === $rule->id, ($fights[$key][3] ?? 0) + 1];
                    }
                }
                foreach ($this->undone($plan->actions, $rule->id) as [$other, $tag]) {
                    $fights["{$other}-{$tag}"] = [$names[$other], "the tag “{$tag}”, which one gives and the other takes away", null, ($fights["{$other}-{$tag}"][3] ?? 0) + 1];
                }
                if (count($rows) < self::SHOWN) {
                    $rows[] = [
                        'conversation' => $occasion->conversation,
                        'at' => $occasion->at(),
                        'because' => array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $rule->asks()->because($facts) ?? []),
                        'overruled' => array_values(array_map(static fn (array $one): string => ActionKind::tryFrom($one['do'])?->label() ?? $one['do'], array_filter($overruled, static fn (array $one): bool => $one['rule'] === $rule->id))),
                        'others' => array_values(array_map(static fn (string|int $id): string => $names[(int) $id], array_filter($plan->matched, static fn (string|int $id): bool => $id !== $rule->id))),
                    ];
                }
            }
        }

        return new TriedRule($days, $looked, count($ids) === self::MOST, $matched, $rows, array_values($fights), self::circlesWith($rule, $all, $names));
    }

    /**
     * For a rule that runs with time: those for which the time has come in the last days, or is there now.
     */
    private function overTime(Rule $rule, Clock $clock, int $days): TriedRule
    {
        $since = $clock->since;
        $rows = Conversation::query()->whereNull('joined_into_id')->where('junk', false)->where('state', '!=', ConversationState::Closed);
        if ($since === null) {
            $rows->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])->orderByDesc('id');
        } else {
            $now = CarbonImmutable::now();
            $rows->where($since->column(), '<=', $clock->threshold($this->hours, $now))->where($since->column(), '>', $clock->threshold($this->hours, $now->subDays($days)))->orderByDesc($since->column());
        }
        $ids = $rows->limit(self::MOST)->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all();
        $condition = $this->fields->known($rule->asks());
        $own = RuleFields::askedBy($condition);
        $matched = 0;
        $found = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
            foreach ($this->occasions->ofTime(array_fill_keys($chunk, ''), RunRules::readBy(new Collection([$rule]))) as $occasion) {
                $facts = $this->fields->factsOf($occasion, $own);
                if (! $condition->matches($facts)) {
                    continue;
                }
                $matched++;
                if (count($found) < self::SHOWN) {
                    $at = $since === null ? CarbonImmutable::now() : $occasion->conversation->getAttribute($since->column());
                    $found[] = ['conversation' => $occasion->conversation, 'at' => $at instanceof CarbonImmutable ? $at : $occasion->at(), 'because' => array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $rule->asks()->because($facts) ?? []), 'overruled' => [], 'others' => []];
                }
            }
        }

        return new TriedRule($days, count($ids), count($ids) === self::MOST, $matched, $found, [], []);
    }

    /**
     * Circles among all rules that are on.
     *
     * @param  Collection<int, Rule>  $rules  by id
     * @return list<list<int|string>> ids
     */
    public static function circles(Collection $rules): array
    {
        return Circles::of($rules->map(static fn (Rule $rule): array => [
            'listens' => $rule->events,
            'causes' => array_values(array_unique(array_merge(...array_map(static fn (array $action): array => array_map(static fn (RuleEvent $event): string => $event->value, ActionKind::tryFrom($action['do'])?->causes() ?? []), $rule->actions), ...[[]]))),
        ])->all());
    }

    /**
     * @param  Collection<int, Rule>  $all
     * @param  array<int, string>  $names
     * @return list<string> in words
     */
    private static function circlesWith(Rule $rule, Collection $all, array $names): array
    {
        $circles = array_filter(self::circles($all), static fn (array $circle): bool => in_array($rule->id, $circle, true));

        return array_values(array_map(static fn (array $circle): string => RuleRefused::circle(array_map(static fn (int|string $id): string => $names[(int) $id], $circle))->getMessage(), $circles));
    }

    /**
     * @param  list<array<string, mixed>>  $actions
     * @return list<array{int, string}> rules that take a tag away that this one gives, or the other way round
     */
    private function undone(array $actions, int $rule): array
    {
        $opposite = [ActionKind::AddTag->value => ActionKind::RemoveTag->value, ActionKind::RemoveTag->value => ActionKind::AddTag->value];
        $undone = [];
        foreach ($actions as $own) {
            foreach ($actions as $other) {
                if ($own['rule'] === $rule && $other['rule'] !== $rule && ($opposite[$own['do']] ?? null) === $other['do'] && mb_strtolower((string) ($own['text'] ?? '')) === mb_strtolower((string) ($other['text'] ?? ''))) {
                    $undone[] = [(int) $other['rule'], (string) $own['text']];
                }
            }
        }

        return $undone;
    }
}
