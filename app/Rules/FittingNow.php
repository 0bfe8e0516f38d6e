<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Sorting\WhoMayRead;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Support\Facades\DB;

/**
 * What a rule that is being written would fit among the latest that happened, shown beside its form.
 */
final readonly class FittingNow
{
    private const LATEST = 300;

    public function __construct(private RuleTriggers $triggers, private RuleFields $fields, private WhoMayRead $whoMayRead) {}

    /**
     * The latest conversations that fit right now, by the latest things that happened.
     *
     * @param  array<string, mixed>  $written  the condition
     * @param  list<string>  $events
     * @param  array<string, mixed>  $clock
     * @return array{list<array{Conversation, list<string>}>, int} those that fit with why, and among how many
     *
     * @throws RulesRefused|UnknownField when it cannot be asked
     */
    public function fitting(array $written, array $events, array $clock): array
    {
        $condition = Condition::read(json_decode((string) json_encode($written, JSON_THROW_ON_ERROR)));
        if (($clock['since'] ?? '') !== '') {
            $ids = Conversation::readable()
                ->whereNull('joined_into_id')
                ->where('junk', false)
                ->orderByDesc('last_message_at')
                ->limit(self::LATEST)
                ->pluck('id');

            return $this->thoseThatFit(
                $condition,
                $this->triggers->ofTime($ids->mapWithKeys(static fn (int $id): array => [$id => ''])->all(), RuleFields::reads($condition))
            );
        }
        $kinds = array_map(
            static fn (RuleEvent $event): string => $event->kind()->value, array_filter(array_map(RuleEvent::tryFrom(...), $events))
        );
        $ids = $this->whoMayRead->narrowWhatTellsOf(DB::table('journal'), 'journal.conversation_id')
            ->whereIn('kind', array_unique($kinds))->orderByDesc('id')->limit(self::LATEST)->pluck('id')->all();
        $triggers = array_values(
            array_filter(
                $this->triggers->ofEntries(array_values(array_map(intval(...), $ids)), RuleFields::reads($condition)),
                static fn (RuleTrigger $trigger): bool => array_filter(
                    $trigger->events, static fn (RuleEvent $event): bool => in_array($event->value, $events, true)
                ) !== []
            )
        );

        return $this->thoseThatFit($condition, $triggers);
    }

    /**
     * @param  list<RuleTrigger>  $triggers
     * @return array{list<array{Conversation, list<string>}>, int}
     */
    private function thoseThatFit(Condition $condition, array $triggers): array
    {
        $fitting = [];
        foreach (array_reverse($triggers) as $trigger) {
            $facts = $this->fields->facts($trigger, $condition);
            $because = $condition->because($facts);
            if ($because !== null) {
                $fitting[$trigger->conversation->id] ??= [
                    $trigger->conversation, array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $because),
                ];
            }
        }

        return [array_values($fitting), count($triggers)];
    }
}
