<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\UnknownField;
use App\Inbox\Conversation;
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

    public function __construct(private Occasions $occasions, private RuleFields $fields) {}

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
            $ids = Conversation::query()
                ->whereNull('joined_into_id')
                ->where('junk', false)
                ->orderByDesc('last_message_at')
                ->limit(self::LATEST)
                ->pluck('id');

            return $this->thoseThatFit(
                $condition,
                $this->occasions->ofTime($ids->mapWithKeys(static fn (int $id): array => [$id => ''])->all(), RuleFields::reads($condition))
            );
        }
        $kinds = array_map(
            static fn (RuleEvent $event): string => $event->kind()->value, array_filter(array_map(RuleEvent::tryFrom(...), $events))
        );
        $ids = DB::table('journal')->whereIn('kind', array_unique($kinds))->orderByDesc('id')->limit(self::LATEST)->pluck('id')->all();
        $occasions = array_values(
            array_filter(
                $this->occasions->ofEntries(array_values(array_map(intval(...), $ids)), RuleFields::reads($condition)),
                static fn (Occasion $occasion): bool => array_filter(
                    $occasion->events, static fn (RuleEvent $event): bool => in_array($event->value, $events, true)
                ) !== []
            )
        );

        return $this->thoseThatFit($condition, $occasions);
    }

    /**
     * @param  list<Occasion>  $occasions
     * @return array{list<array{Conversation, list<string>}>, int}
     */
    private function thoseThatFit(Condition $condition, array $occasions): array
    {
        $fitting = [];
        foreach (array_reverse($occasions) as $occasion) {
            $facts = $this->fields->facts($occasion, $condition);
            $because = $condition->because($facts);
            if ($because !== null) {
                $fitting[$occasion->conversation->id] ??= [
                    $occasion->conversation, array_map(fn (Leaf $leaf): string => $this->fields->sentence($leaf, $facts), $because),
                ];
            }
        }

        return [array_values($fitting), count($occasions)];
    }
}
