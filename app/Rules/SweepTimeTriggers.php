<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalNews;
use App\Hours\StoreHours;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection as Values;
use Illuminate\Support\Facades\DB;

/**
 * Runs the rules that run with time. Reads, by index, only the conversations for which the time has come since it
 * looked last, and those for which it had come already and something has happened since: only for these can a
 * rule have become right. Each time a rule acts once. Safe to repeat.
 */
final readonly class SweepTimeTriggers
{
    private const AT_ONCE = 500;

    /** Again and again, but not for ever. */
    private const MOST_ROUNDS = 60;

    public function __construct(
        private RunRules $run, private RuleTriggers $triggers, private JournalNews $news, private StoreHours $hours
    ) {}

    /**
     * @return int how many times a rule acted
     */
    public function sweep(): int
    {
        $rules = Rule::inOrder()->where('on', true)->whereNotNull('clock')->get();
        $acted = 0;
        $isFirst = true;
        $look = function (Values $news) use ($rules, &$acted, &$isFirst): void {
            $acted += $this->look($rules, array_values(array_map(intval(...), $news->pluck('conversation_id')->unique()->all())), $isFirst);
            $isFirst = false;
        };
        $rounds = 0;
        do {
            // Read on only once the rules have looked at what changed: whatever stops them in between, it is looked at.
            $hasMore = $this->news->follow('rules.swept', false, $look);
        } while ($hasMore && ++$rounds < self::MOST_ROUNDS);
        $isFirst && $look(new Values);

        return $acted;
    }

    /**
     * @param  Collection<int, Rule>  $rules
     * @param  list<int>  $changed  conversations to which something has happened
     * @param  bool  $isFirst  whether time has gone by, or these are only more of what changed
     */
    private function look(Collection $rules, array $changed, bool $isFirst): int
    {
        $acted = 0;
        foreach ($rules as $rule) {
            $clock = $rule->runsWith();
            if ($clock?->since !== null) {
                $acted += $this->since($rule, $clock, $clock->since, $changed, $isFirst);
            } elseif ($clock !== null && $isFirst) {
                $acted += $this->atTimes($rule, $clock);
            }
        }

        return $acted;
    }

    /**
     * @param  list<int>  $changed
     */
    private function since(Rule $rule, TimeTrigger $clock, TimeTriggerSince $since, array $changed, bool $isFirst): int
    {
        $now = CarbonImmutable::now();
        $threshold = $isFirst || $rule->swept_to === null ? $clock->threshold($this->hours, $now) : $rule->swept_to;
        if ($rule->swept_from === null || $rule->swept_to === null) {
            // What was so before it was switched on is left alone; a promise made later can fall due earlier all the same.
            $this->sweptTo($rule, $threshold, $threshold->min($now));

            return 0;
        }
        $column = $since->column();
        $keys = [];
        $rounds = match (true) {
            ! $isFirst => -1,
            $clock->again === 0 => 0,
            default => self::MOST_ROUNDS,
        };
        $shift = $threshold->getTimestamp() - $rule->swept_to->getTimestamp();
        for ($round = 0; $round <= $rounds; $round++) {
            $to = $round === 0 ? $threshold : $clock->threshold($this->hours, $now, $round);
            // A little more than went by, for rounds in working hours; what was done already is not done twice.
            $from = $round === 0 ? $rule->swept_to : $to->subSeconds($shift + 3600);
            if ($to <= $rule->swept_from && $round > 0) {
                break;
            }
            $this->add($keys, $this->rows($column, $from->max($rule->swept_from), $to)->orderBy($column), $column, $round);
        }
        // The time had come, and what happened since can have made the rest of it true.
        foreach (array_chunk($changed, self::AT_ONCE) as $ids) {
            $this->add($keys, $this->rows($column, $rule->swept_from, $threshold)->whereIn('id', $ids), $column, 0);
        }
        $acted = $this->carryOut($rule, $keys);
        $this->sweptTo($rule, $threshold, $rule->swept_from);

        return $acted;
    }

    private function sweptTo(Rule $rule, CarbonImmutable $to, CarbonImmutable $from): void
    {
        Rule::query()->whereKey($rule->id)->toBase()->update(['swept_from' => $from, 'swept_to' => $to]);
        $rule->forceFill(['swept_from' => $from, 'swept_to' => $to]);
    }

    private function atTimes(Rule $rule, TimeTrigger $clock): int
    {
        $at = $clock->lastTime(CarbonImmutable::now());
        if ($at === null || ($rule->swept_to !== null && $rule->swept_to >= $at)) {
            return 0;
        }
        $acted = 0;
        if ($rule->swept_to !== null) {
            $keys = DB::table('conversations')
                ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])
                ->whereNull('joined_into_id')
                ->where('junk', false)
                ->pluck('id')->mapWithKeys(static fn (mixed $id): array => [(int) $id => "at-{$at->getTimestamp()}-{$id}"])->all();
            $acted = $this->carryOut($rule, $keys);
        }
        $this->sweptTo($rule, $at, $rule->swept_from ?? $at);

        return $acted;
    }

    private function rows(string $column, CarbonImmutable $from, CarbonImmutable $to): Builder
    {
        return Conversation::query()
            ->toBase()
            ->where($column, '>', $from)
            ->where($column, '<=', $to)
            ->where('state', '!=', ConversationState::Closed);
    }

    /**
     * @param  array<int, string>  $keys  by conversation
     */
    private function add(array &$keys, Builder $rows, string $column, int $round): void
    {
        foreach ($rows->get(['id', $column]) as $row) {
            $at = CarbonImmutable::parse((string) $row->{$column}, 'UTC')->getTimestamp();
            $keys[(int) $row->id] ??= "clock-{$row->id}-{$at}".($round === 0 ? '' : "-{$round}");
        }
    }

    /**
     * @param  array<int, string>  $keys  by conversation
     */
    private function carryOut(Rule $rule, array $keys): int
    {
        $acted = 0;
        foreach (array_chunk($keys, self::AT_ONCE, true) as $some) {
            $done = DB::table('rule_runs')
                ->where('rule_id', $rule->id)
                ->whereIn('event_key', array_values($some))
                ->pluck('event_key')
                ->all();
            $acted += $this->run->onTime(
                $rule, $this->triggers->ofTime(array_diff($some, $done), RunRules::readBy(new Collection([$rule])))
            );
        }

        return $acted;
    }
}
