<?php

declare(strict_types=1);

namespace App\People;

use App\Answering\AddNote;
use App\Answering\Draft;
use App\Answering\ScheduledReply;
use App\Answering\ScheduleReply;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Rules\Rule;
use App\Rules\SaveRule;
use App\Tasks\Task;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;

/**
 * The work of somebody who leaves: what there is of it, and to whom it goes. Safe to repeat.
 */
final readonly class HandOn
{
    public function __construct(private ScheduleReply $schedule, private AddNote $notes, private SaveRule $rules) {}

    /**
     * @return array{conversations: int, tasks: int, planned: int, drafts: int, rules: list<Rule>}
     */
    public function work(Teammate $person): array
    {
        return [
            'conversations' => self::conversations($person)->whereNot('state', ConversationState::Resolved)->count(),
            'tasks' => self::tasks($person)->count(),
            'planned' => self::planned($person)->count(),
            'drafts' => self::drafts($person)->count(),
            'rules' => $this->rules->naming($person),
        ];
    }

    public function hand(Teammate $person, WorkToHandOn $work, Teammate $by): void
    {
        HandOnConversations::dispatch($person->id, $work->conversationsTo?->id, $by->id);
        $work->tasksTo === null ?: self::tasks($person)->update(['assignee_id' => $work->tasksTo->id]);
        if ($work->rulesTo !== null) {
            $this->rules->replacePerson($person, $work->rulesTo, $by);
        }
        $work->keepsPlanned ?: $this->callOffPlanned($person, $by);
        $this->endDrafts($person, $work->draftsAsNotes);
    }

    /**
     * Those that can come back to them, resolved ones too: a customer who writes again must not wait for somebody who is gone.
     *
     * @return Builder<Conversation>
     */
    public static function conversations(Teammate $person): Builder
    {
        return Conversation::query()->where('owner_id', $person->id)->whereNot('state', ConversationState::Closed);
    }

    /**
     * @return Builder<Task>
     */
    private static function tasks(Teammate $person): Builder
    {
        return Task::query()->where('assignee_id', $person->id)->whereNull('done_at');
    }

    /**
     * @return Builder<ScheduledReply>
     */
    private static function planned(Teammate $person): Builder
    {
        return ScheduledReply::query()->where('teammate_id', $person->id)->where('state', ScheduledReply::DUE);
    }

    /**
     * @return Builder<Draft>
     */
    private static function drafts(Teammate $person): Builder
    {
        return Draft::query()->where('teammate_id', $person->id)->where('text', '!=', '');
    }

    /**
     * Each becomes a draft first, and goes where drafts go.
     */
    private function callOffPlanned(Teammate $person, Teammate $by): void
    {
        foreach (self::planned($person)->get() as $planned) {
            try {
                $this->schedule->callOff($planned, Actor::teammate($by), "{$person->name} is not in the team any more");
            } catch (ConversationRefused) {
                // It has just left.
            }
        }
    }

    private function endDrafts(Teammate $person, bool $asNotes): void
    {
        foreach (self::drafts($person)->get() as $draft) {
            if ($asNotes) {
                $conversation = Conversation::query()->findOrFail($draft->conversation_id);
                $this->notes->byRule(
                    $conversation, "{$person->name} has left this as a draft:\n\n{$draft->text}", "draft-of-{$person->id}-{$draft->id}"
                );
            }
            $draft->delete();
        }
    }
}
