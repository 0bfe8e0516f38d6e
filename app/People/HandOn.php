<?php

declare(strict_types=1);

namespace App\People;

use App\Answering\AddNote;
use App\Answering\Draft;
use App\Answering\KeepDraft;
use App\Answering\ScheduledReply;
use App\Answering\ScheduleReply;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Rules\Rule;
use App\Rules\SaveRule;
use App\Sorting\WhoMayRead;
use App\Tasks\Task;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The work of somebody who leaves: what there is of it, and to whom it goes. Safe to repeat.
 */
final readonly class HandOn
{
    public function __construct(
        private ScheduleReply $schedule, private AddNote $notes, private SaveRule $rules, private WhoMayRead $whoMayRead
    ) {}

    /**
     * What whoever looks can see of it; all of it is handed on.
     *
     * @return array{conversations: int, tasks: int, planned: int, drafts: int, rules: list<Rule>}
     */
    public function work(Teammate $person): array
    {
        return [
            'conversations' => $this->whoMayRead->narrow(self::conversations($person))
                ->whereNot('state', ConversationState::Resolved)->count(),
            'tasks' => $this->whoMayRead->narrowWhatTellsOf(self::tasks($person), 'tasks.conversation_id')->count(),
            'planned' => $this->whoMayRead->narrowWhatTellsOf(self::planned($person), 'scheduled_replies.conversation_id')->count(),
            'drafts' => $this->whoMayRead->narrowWhatTellsOf(self::drafts($person), 'drafts.conversation_id')->count(),
            'rules' => $this->rules->naming($person),
        ];
    }

    public function hand(Teammate $person, WorkToHandOn $work, Teammate $by): void
    {
        HandOnConversations::dispatch($person->id, $work->conversationsTo?->id, $by->id);
        if ($work->tasksTo !== null) {
            $this->handTasks($person, $work->tasksTo);
        }
        if ($work->rulesTo !== null) {
            $this->rules->replacePerson($person, $work->rulesTo, $by);
        }
        $work->keepsPlanned ?: $this->callOffPlanned($person, $by);
        $this->endDrafts($person, $work);
    }

    /**
     * What is about a conversation that the other one does not read goes to somebody who does.
     */
    private function handTasks(Teammate $person, Teammate $to): void
    {
        $this->whoMayRead->narrowWhatTellsOf(self::tasks($person), 'tasks.conversation_id', $to)->update(['assignee_id' => $to->id]);
        foreach (self::tasks($person)->with('conversation')->get() as $task) {
            $readers = $task->conversation === null ? [] : $this->whoMayRead->ofConversation($task->conversation) ?? [];
            $others = array_values(array_diff($readers, [$person->id]));
            $task->forceFill(['assignee_id' => $others[0] ?? $to->id])->save();
        }
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
        return Draft::query()
            ->where('teammate_id', $person->id)
            ->where(static fn (Builder $any) => $any->where('text', '!=', '')->orWhereJsonLength('files', '>', 0));
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

    private function endDrafts(Teammate $person, WorkToHandOn $work): void
    {
        foreach (self::drafts($person)->get() as $draft) {
            DB::transaction(function () use ($draft, $person, $work): void {
                $conversation = Conversation::query()->lockForUpdate()->findOrFail($draft->conversation_id);
                $taker = $work->drafts === WorkToHandOn::TO_TAKER && $draft->kind === Draft::REPLY ? $work->conversationsTo : null;
                if ($taker !== null) {
                    KeepDraft::giveBack($conversation, $taker, $draft->text, $draft->files, $draft->details ?? []);
                } elseif ($work->drafts !== WorkToHandOn::GONE) {
                    $this->notes->byRule($conversation, self::noteOf($draft, $person), "draft-of-{$person->id}-{$draft->id}");
                }
                $draft->delete();
            });
        }
    }

    private static function noteOf(Draft $draft, Teammate $person): string
    {
        $files = implode(', ', array_column($draft->files, 'name'));

        return "{$person->name} has left this as a draft".($files === '' ? '' : " with {$files}").":\n\n{$draft->text}";
    }
}
