<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
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
     * @return list<TrailItem>
     */
    public function of(Conversation $conversation): array
    {
        $items = [];
        $ids = $conversation->withJoined();
        foreach ($this->entries($conversation) as $entry) {
            // What was split off is told by its own entry, and read where it is now.
            if ($entry->message !== null && ! in_array($entry->message->conversation_id, $ids, true)) {
                continue;
            }
            $last = array_key_last($items);
            if ($last !== null && $items[$last]->takesUp($entry)) {
                $items[$last] = new TrailItem([...$items[$last]->entries, $entry]);
            } else {
                $items[] = new TrailItem([$entry]);
            }
        }

        return array_values($items);
    }

    public function lastSeen(Conversation $conversation): int
    {
        return (int) JournalEntry::query()->whereIn('conversation_id', $conversation->withJoined())->max('id');
    }

    /**
     * @return Collection<int, JournalEntry>
     */
    private function entries(Conversation $conversation): Collection
    {
        return JournalEntry::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->whereNotIn('kind', self::UNSHOWN)
            ->with([
                'teammate', 'message.teammate', 'message.attachments', 'message.outboxItem', 'message.account',
                'message.channelItem', 'note.teammate',
            ])
            ->orderBy('at')
            ->orderBy('id')
            ->get()
            ->reject(
                static fn (JournalEntry $entry): bool => $entry->kind === JournalKind::Began && $entry->details === []
            )
            ->values();
    }
}
