<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Checklists\Happened\ChecklistStarted;
use App\Checklists\Happened\ChecklistTicked;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Starts a checklist in a conversation and ticks its steps; both are on the trail.
 */
final readonly class WorkThroughChecklist
{
    public function __construct(private Journal $journal) {}

    /**
     * Once in each conversation: started again, it is the same.
     */
    public function start(Conversation $conversation, Checklist $checklist, Actor $actor, string $why = ''): StartedChecklist
    {
        return DB::transaction(function () use ($conversation, $checklist, $actor, $why): StartedChecklist {
            Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $started = StartedChecklist::query()
                ->where('conversation_id', $conversation->id)
                ->where('checklist_id', $checklist->id)
                ->first();
            if ($started !== null) {
                return $started;
            }
            $started = new StartedChecklist;
            $started->forceFill([
                'conversation_id' => $conversation->id, 'checklist_id' => $checklist->id, 'name' => $checklist->name,
                'steps' => array_map(static fn (string $step): array => ['text' => $step, 'by' => null, 'at' => null], $checklist->steps),
            ])->save();
            $this->journal->record($conversation, new ChecklistStarted(new Named($checklist->id, $checklist->name)), $actor, $why);

            return $started;
        });
    }

    public function tick(StartedChecklist $started, int $index, bool $isDone, Teammate $teammate): void
    {
        DB::transaction(function () use ($started, $index, $isDone, $teammate): void {
            $locked = StartedChecklist::query()->lockForUpdate()->with('conversation')->findOrFail($started->id);
            $steps = $locked->steps;
            if (! isset($steps[$index]) || ($steps[$index]['by'] !== null) === $isDone) {
                return;
            }
            $steps[$index] = [
                'text' => $steps[$index]['text'], 'by' => $isDone ? $teammate->name : null,
                'at' => $isDone ? now()->toIso8601ZuluString() : null,
            ];
            $locked->forceFill(['steps' => array_values($steps)])->save();
            $this->journal->record(
                $locked->conversation,
                new ChecklistTicked(new Named($locked->checklist_id, $locked->name), $steps[$index]['text'], ! $isDone),
                Actor::teammate($teammate)
            );
        });
    }
}
