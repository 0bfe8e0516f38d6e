<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Hours\StoreHours;
use App\Sorting\WhoMayRead;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\RuleCycles;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Runs a rule, on or not yet, kept or not, against what happened in the last days, beside all rules that are on.
 * Changes nothing. What it asks of conversations and customers is answered as they are now.
 */
final readonly class TryRule
{
    /** The latest of what happened; beyond this it would take longer than anybody waits. */
    public const MOST = 20_000;

    private const AT_ONCE = 1000;

    private const SHOWN = 100;

    public function __construct(
        private RuleTriggers $triggers, private RuleFields $fields, private StoreHours $hours, private AnswerByRule $answer,
        private ThingsInUse $things,
        private ActionCatalogue $catalogue, private WhoMayRead $whoMayRead,
    ) {}

    /**
     * @param  Rule  $rule  one that is not kept yet has the number 0
     * @param  int  $days  how far back, from 1
     */
    public function over(Rule $rule, int $days): TriedRule
    {
        $clock = $rule->runsWith();
        if ($clock !== null) {
            return $this->overTime($rule, $clock, $days);
        }
        $kinds = array_values(array_unique(array_map(static fn (RuleEvent $event): string => $event->kind()->value, $rule->listensTo())));
        $ids = array_map(
            intval(...),
            $this->whoMayRead->narrowWhatTellsOf(DB::table('journal'), 'journal.conversation_id')
                ->where('at', '>=', now()->subDays($days))
                ->whereIn('kind', $kinds)
                ->orderByDesc('id')
                ->limit(self::MOST)
                ->pluck('id')
                ->all()
        );
        $all = self::beside($rule);
        $names = $all->pluck('name', 'id')->all();
        $condition = $this->fields->known($rule->asks());
        // The message's own are few; they come along for all.
        [$ofMessages, $ofConversations] = self::apart(RunRules::readBy($all));
        $asked = new AskedRules($all, $this->fields);
        $looked = $matched = 0;
        $rows = $fights = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
            $heard = array_values(
                array_filter(
                    array_reverse($this->triggers->ofEntries(array_values($chunk), $ofMessages)),
                    static fn (RuleTrigger $trigger): bool => $asked->hears($rule->id, $trigger->events)
                )
            );
            $looked += count($heard);
            $fitting = $this->fitting($condition, $heard);
            // Only where it fits do the others matter, and what they ask.
            self::load($fitting, $ofConversations);
            foreach ($fitting as $trigger) {
                [$plan, $facts] = $asked->plan($trigger, $this->fields) ?? [null, null];
                if ($plan === null || $facts === null || ! in_array($rule->id, $plan->matched, true)) {
                    continue;
                }
                $matched++;
                $this->addFights($fights, $plan, $rule->id, $all);
                if (count($rows) < self::SHOWN) {
                    $overruled = array_values(
                        array_map(
                            fn (array $one): string => $this->catalogue->phrase($one['do'])." (“{$names[(int) $one['by']]}” does)",
                            array_filter($plan->overruled, static fn (array $one): bool => $one['rule'] === $rule->id)
                        )
                    );
                    $rows[] = $this->row($rule, $trigger, $facts, $trigger->at(), $overruled, $this->othersIn($plan, $rule->id, $names));
                }
            }
        }

        return new TriedRule(
            $days, $looked, count($ids) === self::MOST, $matched, $rows, array_values($fights), self::circlesWith($rule, $all)
        );
    }

    /**
     * Those for which the condition holds. What lies beside a conversation is read only where it depends on that.
     *
     * @param  list<RuleTrigger>  $triggers
     * @return list<RuleTrigger>
     */
    private function fitting(Condition $condition, array $triggers): array
    {
        $fields = RuleFields::askedBy($condition);
        $beside = array_filter($fields, static fn (string $field): bool => self::apart(RuleFields::readsOf($field))[1] !== []);
        $near = array_values(array_diff($fields, $beside));
        $decided = array_map(
            fn (RuleTrigger $trigger): ?bool => $condition->decides($this->fields->factsOf($trigger, $near), array_flip($beside)),
            $triggers
        );
        self::load(
            array_values(array_filter($triggers, static fn (int $at): bool => $decided[$at] === null, ARRAY_FILTER_USE_KEY)),
            self::apart(RuleFields::reads($condition))[1]
        );

        return array_values(
            array_filter(
                $triggers,
                fn (RuleTrigger $trigger, int $at): bool => $decided[$at] ?? $condition->matches($this->fields->factsOf($trigger, $fields)),
                ARRAY_FILTER_USE_BOTH
            )
        );
    }

    /**
     * @param  list<RuleTrigger>  $triggers
     * @param  list<string>  $relations  of their conversations
     */
    private static function load(array $triggers, array $relations): void
    {
        (
            new Collection(array_map(static fn (RuleTrigger $trigger): Conversation => $trigger->conversation, $triggers))
        )->loadMissing($relations);
    }

    /**
     * @param  list<string>  $reads
     * @return array{list<string>, list<string>} those of messages, those of conversations
     */
    private static function apart(array $reads): array
    {
        $ofMessages = array_values(array_filter($reads, static fn (string $one): bool => str_starts_with($one, 'message.')));

        return [$ofMessages, array_values(array_diff($reads, $ofMessages))];
    }

    /**
     * The rules that are on, and this one, by their numbers and in their order.
     *
     * @return Collection<int, Rule>
     */
    private static function beside(Rule $rule): Collection
    {
        return Rule::inOrder()->where('on', true)->whereNull('clock')->whereKeyNot($rule->id)->get()->push($rule)
            ->sortBy(static fn (Rule $one): array => [$one->place, $one->id === 0 ? PHP_INT_MAX : $one->id])->keyBy('id');
    }

    /**
     * For a rule that runs with time: those for which the time has come in the last days, or is there now.
     */
    private function overTime(Rule $rule, TimeTrigger $clock, int $days): TriedRule
    {
        $since = $clock->since;
        $rows = Conversation::readable()->whereNull('joined_into_id')->where('junk', false)
            ->where('state', '!=', ConversationState::Closed);
        if ($since === null) {
            $rows->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])->orderByDesc('id');
        } else {
            $now = CarbonImmutable::now();
            $rows->where($since->column(), '<=', $clock->threshold($this->hours, $now))
                ->where($since->column(), '>', $clock->threshold($this->hours, $now->subDays($days)))
                ->orderByDesc($since->column());
        }
        $ids = $rows->limit(self::MOST)->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all();
        $condition = $this->fields->known($rule->asks());
        $own = RuleFields::askedBy($condition);
        $reads = RuleFields::reads($condition);
        $others = new OtherRuns($rule, $days);
        $matched = 0;
        $found = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
            $fitting = [];
            foreach ($this->triggers->ofTime(array_fill_keys($chunk, ''), $reads) as $trigger) {
                $facts = $this->fields->factsOf($trigger, $own);
                if ($condition->matches($facts)) {
                    $fitting[] = [$trigger, $facts];
                }
            }
            $matched += count($fitting);
            $others->lookAt(array_map(static fn (array $one): int => $one[0]->conversation->id, $fitting));
            foreach (array_slice($fitting, 0, self::SHOWN - count($found)) as [$trigger, $facts]) {
                $at = $since === null ? CarbonImmutable::now() : $trigger->conversation->getAttribute($since->column());
                $found[] = $this->row(
                    $rule, $trigger, $facts, $at instanceof CarbonImmutable ? $at : $trigger->at(), [],
                    $others->in($trigger->conversation->id)
                );
            }
        }

        return new TriedRule($days, count($ids), count($ids) === self::MOST, $matched, $found, $others->fights(), []);
    }

    /**
     * @param  list<string>  $overruled
     * @param  list<string>  $others
     * @return array{conversation: Conversation, at: CarbonImmutable, because: list<string>, leftOut: list<string>, others: list<string>}
     */
    private function row(Rule $rule, RuleTrigger $trigger, Facts $facts, CarbonImmutable $at, array $overruled, array $others): array
    {
        return [
            'conversation' => $trigger->conversation,
            'at' => $at,
            'because' => array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $rule->asks()->because($facts) ?? []),
            'leftOut' => [...$overruled, ...$this->unanswered($rule, $trigger)],
            'others' => $others,
        ];
    }

    /**
     * @return list<string> why it would not have answered, where it answers at all
     */
    private function unanswered(Rule $rule, RuleTrigger $trigger): array
    {
        $answers = array_filter($rule->actions, fn (array $action): bool => $this->catalogue->answers($action['do']));
        $why = $answers === [] ? null : $this->answer->whyNever($trigger);

        return $why === null ? [] : ["the answer, since {$why}"];
    }

    /**
     * @param  array<int, string>  $names
     * @return list<string> each other rule with what it does
     */
    private function othersIn(Plan $plan, int $rule, array $names): array
    {
        $others = [];
        foreach ($plan->matched as $id) {
            if ($id !== $rule) {
                $others[(int) $id] = [];
            }
        }
        foreach ($plan->actions as $action) {
            if (isset($others[(int) $action['rule']])) {
                try {
                    $others[(int) $action['rule']][] = RuleAction::of($action, $this->things)->label;
                } catch (RuleRefused $why) {
                    $others[(int) $action['rule']][] = $why->getMessage();
                }
            }
        }

        return array_values(
            array_map(
                static fn (int $id, array $does): string => $does === [] ? $names[$id] : "{$names[$id]}: ".implode(', ', $does),
                array_keys($others), $others
            )
        );
    }

    /**
     * Two that set one thing to the same do not fight.
     *
     * @param  array<string, RuleConflict>  $fights
     * @param  Collection<int, Rule>  $all
     */
    private function addFights(array &$fights, Plan $plan, int $rule, Collection $all): void
    {
        foreach ($plan->overruled as $one) {
            $isWon = $one['by'] === $rule;
            $other = (int) ($isWon ? $one['rule'] : $one['by']);
            if (($one['rule'] === $rule) !== $isWon && self::setsTo($all[$rule], $one['do']) !== self::setsTo($all[$other], $one['do'])) {
                $key = "{$other}-{$one['do']}-".($isWon ? 'over' : 'under');
                $fights[$key] = RuleConflict::overValue($all[$other]->name ?? '', $one['do'], $isWon, ($fights[$key]->count ?? 0) + 1);
            }
        }
        foreach ($plan->actions as $own) {
            foreach ($own['rule'] === $rule ? $plan->actions : [] as $other) {
                if ($other['rule'] !== $rule && OtherRuns::isUndone($own, $other)) {
                    $key = "{$other['rule']}-tag-{$own['text']}";
                    $fights[$key] = RuleConflict::overTag(
                        $all[(int) $other['rule']]->name ?? '', (string) $own['text'], ($fights[$key]->count ?? 0) + 1
                    );
                }
            }
        }
    }

    /**
     * @return string|null null where it is nothing of which only the last one stands
     */
    private static function setsTo(?Rule $rule, string $do): ?string
    {
        $setting = array_filter($rule->actions ?? [], static fn (array $action): bool => $action['do'] === $do && Plan::setsOneValue($do));

        return $setting === [] ? null : (string) (end($setting)['value'] ?? '');
    }

    /**
     * Cycles among all rules that are on.
     *
     * @param  Collection<int, Rule>  $rules  by id
     * @return list<list<int|string>> ids
     */
    public static function circles(Collection $rules): array
    {
        return RuleCycles::of($rules->map(static fn (Rule $rule): array => [
            'listens' => $rule->events,
            'causes' => array_values(
                array_unique(
                    array_merge(
                        ...array_map(
                            static fn (array $action): array => array_map(
                                static fn (RuleEvent $event): string => $event->value,
                                app(ActionCatalogue::class)->causes($action['do'])
                            ),
                            $rule->actions
                        ),
                        ...[[]]
                    )
                )
            ),
        ])->all());
    }

    /**
     * The circles that a rule is or would be part of.
     *
     * @param  Collection<int, Rule>|null  $all  the rules that are on, and this one
     * @return list<string> in words
     */
    public static function circlesWith(Rule $rule, ?Collection $all = null): array
    {
        $all ??= self::beside($rule);
        $circles = array_filter(self::circles($all), static fn (array $circle): bool => in_array($rule->id, $circle, true));

        return array_values(
            array_map(
                static fn (array $circle): string => RuleRefused::circle(
                    array_map(static fn (int|string $id): string => $all[(int) $id]->name ?? '', $circle)
                )->getMessage(),
                $circles
            )
        );
    }
}
