<?php

declare(strict_types=1);

namespace App\Inbox;

use Illuminate\Database\Eloquent\Collection;

/**
 * A conversation as it is shown: its journal with the messages and notes, on one time line. A fixed
 * number of queries, whatever its length.
 */
final class Trail
{
    /** Kept in the record, and shown with the message they belong to or not at all. */
    private const UNSHOWN = [JournalKind::Delivered, JournalKind::SendingAgain];

    /**
     * @return Collection<int, JournalEntry>
     */
    public function of(Conversation $conversation): Collection
    {
        return $conversation->journal()
            ->whereNotIn('kind', self::UNSHOWN)
            ->with(['teammate', 'message.teammate', 'message.attachments', 'message.outboxItem', 'note.teammate'])
            ->orderBy('at')
            ->orderBy('id')
            ->get()
            ->reject(static fn (JournalEntry $entry): bool => $entry->kind === JournalKind::Began && ($entry->details['linked'] ?? null) === null)
            ->values();
    }

    public function lastSeen(Conversation $conversation): int
    {
        return (int) $conversation->journal()->max('id');
    }
}
