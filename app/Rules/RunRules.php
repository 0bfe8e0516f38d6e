<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Journal\JournalNews;
use App\Customers\SortIntoGroups;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Plan;
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
        private RuleTriggers $triggers,
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
     * On these alone, whatever else there is: for trying out what would happen.
     *
     * @param  list<int>  $ids  of journal entries
     */
    public function onEntries(array $ids): void
    {
        $this->look(new Values(array_map(static fn (int $id): \stdClass => (object) ['id' => $id], $ids)));
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
        $ids = $ids === []
            ? []
            : array_values(
                array_diff($ids, array_map(intval(...), DB::table('rule_looks')->whereIn('entry_id', $ids)->pluck('entry_id')->all()))
            );
        if ($ids === []) {
            return 0;
        }
        $rules = Rule::inOrder()->where('on', true)->whereNull('clock')->get()->keyBy('id');
        $asked = $this->asked($rules);
        $ran = 0;
        $reads = self::readBy($rules);
        $triggers = $rules->isEmpty() ? [] : $this->triggers->ofEntries($ids, $reads);
        $left = array_count_values(array_map(static fn (RuleTrigger $trigger): int => $trigger->conversation->id, $triggers));
        foreach ($triggers as $trigger) {
            // Who writes for the first time is in no group yet.
            if (in_array('customer.groups', $reads, true) && in_array(RuleEvent::FirstMessage, $trigger->events, true)) {
                $this->groups->sort($trigger->conversation->customer);
                $trigger->conversation->customer->load('groups');
            }
            $acted = $this->on($trigger, $rules, $asked);
            $ran += $acted;
            if (--$left[$trigger->conversation->id] > 0 && $acted > 0) {
                // What happened next to the same conversation is looked at as it is now.
                $trigger->conversation->refresh()->loadMissing(
                    array_values(array_filter($reads, static fn (string $one): bool => ! str_starts_with($one, 'message.')))
                );
            }
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
     * Ready to be asked; what cannot be asked is told once.
     *
     * @param  Collection<int, Rule>  $rules
     */
    private function asked(Collection $rules): AskedRules
    {
        return new AskedRules($rules, $this->fields, fn (Rule $rule, string $why) => $this->carryOut->cannotBeAsked($rule, $why));
    }

    /**
     * @param  Collection<int, Rule>  $rules  by id
     */
    private function on(RuleTrigger $trigger, Collection $rules, AskedRules $asked): int
    {
        [$plan, $facts] = $asked->plan($trigger, $this->fields) ?? [null, null];
        $ran = 0;
        foreach ($plan->matched ?? [] as $id) {
            $rule = $rules[(int) $id] ?? null;
            if ($plan !== null && $facts !== null && $rule !== null) {
                $ran += $this->carryOut->rule($rule, $trigger, $this->actionsOf($plan, $rule->id), $this->because($rule, $facts)) ? 1 : 0;
            }
        }

        return $ran;
    }

    /**
     * @return list<array<string, string>>
     */
    private function actionsOf(Plan $plan, int $rule): array
    {
        /** @var list<array<string, string>> */
        return array_values(
            array_map(
                static fn (array $action): array => array_diff_key($action, ['rule' => 0]),
                array_filter($plan->actions, static fn (array $action): bool => $action['rule'] === $rule)
            )
        );
    }

    /**
     * Carries a rule out on what time alone made happen, where its condition holds.
     *
     * @param  list<RuleTrigger>  $triggers
     * @return int how many times it acted
     */
    public function onTime(Rule $rule, array $triggers): int
    {
        $rules = (new Collection([$rule]))->keyBy('id');
        $asked = $this->asked($rules);

        return array_sum(array_map(fn (RuleTrigger $trigger): int => $this->on($trigger, $rules, $asked), $triggers));
    }

    /**
     * @return list<string> the parts that were true, in words
     */
    private function because(Rule $rule, Facts $facts): array
    {
        return array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $rule->asks()->because($facts) ?? []);
    }
}
