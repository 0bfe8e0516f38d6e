<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Snapshots\SnapshotPart;

/**
 * The checklists that are at work in it. One that was started since goes, unless somebody has ticked something in it.
 */
final readonly class ChecklistsOfConversation implements SnapshotPart
{
    public function key(): string
    {
        return 'checklists';
    }

    public function take(Conversation $conversation): array
    {
        return StartedChecklist::query()->where('conversation_id', $conversation->id)->orderBy('id')->pluck('id')->all();
    }

    public function restore(Conversation $conversation, array $taken): void
    {
        StartedChecklist::query()
            ->where('conversation_id', $conversation->id)
            ->whereKeyNot($taken)
            ->get()
            ->filter(static fn (StartedChecklist $started): bool => $started->doneCount() === 0)
            ->each(static fn (StartedChecklist $started) => $started->delete());
    }

    public function changedBy(): array
    {
        return [JournalKind::ChecklistStarted];
    }
}
