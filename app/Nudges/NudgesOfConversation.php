<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Snapshots\SnapshotPart;

/**
 * The nudge plan that is at work in it. One that was started since ends, and the one that was at work before goes on.
 */
final readonly class NudgesOfConversation implements SnapshotPart
{
    public function key(): string
    {
        return 'nudges';
    }

    public function take(Conversation $conversation): array
    {
        return Nudge::query()
            ->where('conversation_id', $conversation->id)
            ->where('state', Nudge::RUNNING)
            ->orderBy('id')
            ->pluck('id')
            ->all();
    }

    public function restore(Conversation $conversation, array $taken): void
    {
        if ($this->take($conversation) === $taken) {
            return;
        }
        Nudge::query()
            ->where('conversation_id', $conversation->id)
            ->where('state', Nudge::RUNNING)
            ->whereKeyNot($taken)
            ->update(['state' => Nudge::CALLED_OFF, 'reason' => 'what started it was taken back']);
        Nudge::query()
            ->whereKey($taken)
            ->where('conversation_id', $conversation->id)
            ->where('state', Nudge::CALLED_OFF)
            ->update(['state' => Nudge::RUNNING, 'reason' => '']);
    }

    public function changedBy(): array
    {
        return [JournalKind::NudgeStarted, JournalKind::NudgeCalledOff, JournalKind::MessageReceived];
    }
}
