<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Hours\Calendars;
use App\Rules\RuleFields;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\RulesRefused;
use Carbon\CarbonImmutable;

/**
 * All that is and was promised in one conversation: each promise with what it was measured with, and which set applies and why.
 */
final readonly class ConversationPromises
{
    public function __construct(
        private KeepPromises $keep, private PromiseSets $sets, private PromiseFields $fields, private RuleFields $words,
        private Calendars $calendars
    ) {}

    /**
     * @return array<string, mixed> for the view
     */
    public function of(Conversation $conversation): array
    {
        $now = CarbonImmutable::now()->utc()->startOfSecond();
        $set = $conversation->promise_set_id === null ? null : PromiseSet::query()->find($conversation->promise_set_id);

        return [
            'set' => $set,
            'because' => $set === null ? [] : $this->because($conversation, $set),
            'promises' => array_values($this->keep->reckoned($conversation, $now)),
            'measuredWith' => $this->measuredWith(...),
            'agreed' => AgreedTime::query()->where('conversation_id', $conversation->id)->with('teammate')->orderByDesc('id')->get(),
            'now' => $now,
        ];
    }

    /**
     * The set in its version, and the hours, in words.
     */
    private function measuredWith(MeasuredPromise $promise): string
    {
        if ($promise->set === null) {
            return 'what the marketplace says, in clock time';
        }
        $version = $this->sets->versions($promise->set)->firstWhere('version', $promise->version);
        $target = array_column((array) ($version->content['targets'] ?? []), null, 'kind')[$promise->kind->value] ?? [];
        $calendar = $target['calendar'] ?? null;
        $hours = $calendar === null ? 'clock time' : 'the hours “'.($this->calendars->all()->get($calendar)->name ?? 'gone since').'”';

        return "“{$version?->content['name']}”, version {$promise->version}, in {$hours}, priority {$promise->priority}";
    }

    /**
     * @return list<string> the parts of its condition that hold, in words; empty where it is for everybody
     */
    private function because(Conversation $conversation, PromiseSet $set): array
    {
        try {
            $condition = Condition::read(json_decode((string) json_encode($set->condition)));
            $facts = $this->fields->facts($conversation, $condition);

            return array_map(fn (Leaf $leaf): string => $this->words->sentence($leaf, $facts), $condition->because($facts) ?? []);
        } catch (RulesRefused|UnknownField) {
            return [];
        }
    }
}
