<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\UnknownField;
use App\Customers\SortIntoGroups;
use App\Inbox\JournalNews;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule as CoreRule;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Values;
use Illuminate\Support\Facades\DB;

/**
 * Runs the rules on what has happened. Everything that happens is in the journal, so this follows it, from the
 * moment on that it first runs. Each entry is looked at once; safe to repeat, since a rule acts once for one event.
 */
final readonly class RunRules
{
    /** Rules wake rules at most so many deep. */
    public const DEEPEST = 5;

    private const LOOKS_KEPT_MINUTES = 60;

    /** Of one call, so that what rules do is looked at in turn and other work has room. */
    private const ROUNDS = 8;

    public function __construct(
        private JournalNews $news,
        private Occasions $occasions,
        private RuleFields $fields,
        private CarryOut $carryOut,
        private SortIntoGroups $groups,
    ) {}

    public function run(): void
    {
        $this->carryOut->again();
        $rounds = 0;
        do {
            $seen = 0;
            $hasMore = $this->news->follow('rules.ran', false, function (Values $news) use (&$seen): void {
                $seen = $this->look($news);
            });
        } while (($hasMore || $seen > 0) && ++$rounds < self::ROUNDS);
    }

    /**
     * What was looked at long ago is not given again.
     */
    public static function tidy(): void
    {
        DB::table('rule_looks')->where('at', '<', now()->subMinutes(self::LOOKS_KEPT_MINUTES))->delete();
    }

    /**
     * @param  Values<int, \stdClass>  $news
     * @return int how many rules ran: what they did is news in turn
     */
    private function look(Values $news): int
    {
        $ids = array_values(array_map(intval(...), $news->pluck('id')->all()));
        $ids = $ids === [] ? [] : array_values(array_diff($ids, array_map(intval(...), DB::table('rule_looks')->whereIn('entry_id', $ids)->pluck('entry_id')->all())));
        if ($ids === []) {
            return 0;
        }
        $rules = Rule::inOrder()->where('on', true)->whereNull('clock')->get();
        $ran = 0;
        $reads = self::readBy($rules);
        foreach ($rules->isEmpty() ? [] : $this->occasions->ofEntries($ids, $reads) as $occasion) {
            // Who writes for the first time is in no group yet.
            if (in_array('customer.groups', $reads, true) && in_array(RuleEvent::FirstMessage, $occasion->events, true)) {
                $this->groups->sort($occasion->conversation->customer);
                $occasion->conversation->customer->load('groups');
            }
            $ran += $this->on($occasion, $rules);
        }
        DB::table('rule_looks')->insertOrIgnore(array_map(static fn (int $id): array => ['entry_id' => $id, 'at' => now()], $ids));

        return $ran;
    }

    /**
     * What these rules will ask beside the conversation itself.
     *
     * @param  Collection<int, Rule>  $rules
     * @return list<string>
     */
    public static function readBy(Collection $rules): array
    {
        $reads = [];
        foreach ($rules as $rule) {
            try {
                array_push($reads, ...RuleFields::reads($rule->asks()));
            } catch (RulesRefused) {
                // Told when it is asked.
            }
        }

        return array_values(array_unique($reads));
    }

    /**
     * @param  Collection<int, Rule>  $rules
     */
    private function on(Occasion $occasion, Collection $rules): int
    {
        $listening = $rules->filter(static fn (Rule $rule): bool => array_filter($occasion->events, static fn (RuleEvent $event): bool => in_array($event, $rule->listensTo(), true)) !== []);
        if ($listening->isEmpty()) {
            return 0;
        }
        $listening = $listening->keyBy('id');
        [$plan, $facts] = $this->plan($occasion, $listening);
        $ran = 0;
        foreach ($plan->matched as $id) {
            $rule = $listening[(int) $id];
            $ran += $this->carryOut->rule($rule, $occasion, $this->actionsOf($plan, $rule->id), $this->because($rule, $facts)) ? 1 : 0;
        }

        return $ran;
    }

    /**
     * What the rules would do; a rule that says stop cuts off those after it.
     *
     * @param  Collection<int, Rule>  $rules  by id, in their order
     * @param  bool  $isTrial  whether nothing may be changed, not even the note that a rule cannot be asked
     * @return array{Plan, Facts}
     */
    public function plan(Occasion $occasion, Collection $rules, bool $isTrial = false): array
    {
        $conditions = [];
        foreach ($rules as $rule) {
            try {
                $conditions[$rule->id] = $this->fields->known($rule->asks());
            } catch (RulesRefused|UnknownField $why) {
                $isTrial ?: $this->carryOut->cannotBeAsked($rule, $why->getMessage());
            }
        }
        $facts = $this->fields->facts($occasion, ...array_values($conditions));
        $core = static fn (Rule $rule): CoreRule => new CoreRule($rule->id, $rule->way, $conditions[$rule->id] ?? null, $rule->actions);
        $asked = array_values($rules->map($core)->all());
        $plan = Plan::of($facts, ...$asked);
        foreach ($plan->matched as $id) {
            if (in_array(ActionKind::Stop->value, array_column($rules[(int) $id]->actions, 'do'), true)) {
                $before = array_slice($asked, 0, 1 + (int) array_search($id, array_map(static fn (CoreRule $rule): int|string => $rule->id, $asked), true));

                return [Plan::of($facts, ...$before), $facts];
            }
        }

        return [$plan, $facts];
    }

    /**
     * @return list<array<string, string>>
     */
    private function actionsOf(Plan $plan, int $rule): array
    {
        /** @var list<array<string, string>> */
        return array_values(array_map(static fn (array $action): array => array_diff_key($action, ['rule' => 0]), array_filter($plan->actions, static fn (array $action): bool => $action['rule'] === $rule)));
    }

    /**
     * Carries a rule out on what time alone made happen, where its condition holds.
     */
    public function onTime(Rule $rule, Occasion $occasion): bool
    {
        [$plan, $facts] = $this->plan($occasion, (new Collection([$rule]))->keyBy('id'));

        return $plan->matched !== [] && $this->carryOut->rule($rule, $occasion, $this->actionsOf($plan, $rule->id), $this->because($rule, $facts));
    }

    /**
     * @return list<string> the parts that were true, in words
     */
    private function because(Rule $rule, Facts $facts): array
    {
        return array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $rule->asks()->because($facts) ?? []);
    }
}
