<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Sorting\WhoMayRead;
use App\Tasks\Happened\TaskDone;
use App\Tasks\Happened\TaskMade;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Makes tasks, ticks them off, and reminds of them.
 */
final readonly class KeepTasks
{
    public function __construct(private Journal $journal, private Notify $tell, private WhoMayRead $whoMayRead) {}

    /**
     * @param  int|null  $remindMinutes  before it falls due; null for no reminder
     *
     * @throws ConversationRefused when the time has passed
     */
    public function make(
        ?Conversation $conversation, string $title, Teammate $assignee, CarbonImmutable $dueAt, ?int $remindMinutes, Teammate $by
    ): Task {
        if ($dueAt->isPast()) {
            throw ConversationRefused::dueInThePast();
        }
        if ($conversation !== null && ! $this->whoMayRead->mayReadConversation($assignee->id, $conversation)) {
            throw ConversationRefused::forMembersAlone($assignee->name, $conversation);
        }

        return DB::transaction(function () use ($conversation, $title, $assignee, $dueAt, $remindMinutes, $by): Task {
            $task = new Task;
            $task->forceFill([
                'conversation_id' => $conversation?->id,
                'assignee_id' => $assignee->id,
                'made_by_id' => $by->id,
                'title' => mb_substr(trim($title), 0, 300),
                'due_at' => $dueAt,
                'remind_minutes' => $remindMinutes,
                'remind_at' => $remindMinutes === null ? null : $dueAt->subMinutes($remindMinutes),
            ])->save();
            if ($conversation !== null) {
                $this->journal->record(
                    $conversation,
                    new TaskMade(new Named($task->id, $task->title), new Named($assignee->id, $assignee->name), $dueAt),
                    Actor::teammate($by)
                );
            }

            return $task;
        });
    }

    public function tick(Task $task, bool $isDone, Teammate $by): void
    {
        DB::transaction(function () use ($task, $isDone, $by): void {
            $locked = Task::query()->lockForUpdate()->with('conversation')->findOrFail($task->id);
            if (($locked->done_at !== null) === $isDone) {
                return;
            }
            $locked->forceFill(['done_at' => $isDone ? now() : null])->save();
            if ($locked->conversation !== null) {
                $this->journal->record(
                    $locked->conversation, new TaskDone(new Named($locked->id, $locked->title), ! $isDone), Actor::teammate($by)
                );
            }
        });
    }

    /**
     * Runs every minute; safe to repeat.
     */
    public function remind(): void
    {
        $due = Task::query()
            ->whereNull('done_at')
            ->where('remind_at', '<=', now())
            ->with(['assignee', 'conversation'])
            ->orderBy('remind_at')
            ->limit(500)
            ->get();
        foreach ($due as $task) {
            $where = $task->conversation === null ? '' : " in {$task->conversation->number()} “{$task->conversation->subject}”";
            $at = $task->due_at->setTimezone($task->assignee->time_zone)->format('D j M H:i');
            $this->tell->people(
                [$task->assignee], NewsKind::TaskDue, "task-{$task->id}-{$task->due_at->getTimestamp()}",
                "Due {$at}: {$task->title}{$where}", $task->conversation_id
            );
        }
        Task::query()->whereKey($due->modelKeys())->update(['remind_at' => null]);
    }
}
