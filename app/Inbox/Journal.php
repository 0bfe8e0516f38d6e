<?php

declare(strict_types=1);

namespace App\Inbox;

use DateTimeInterface;

/**
 * Writes the record of every change, in the transaction of the change.
 */
final class Journal
{
    /**
     * @param  array<string, string|null>  $details
     * @param  DateTimeInterface|null  $at  when it happened; now, but for what is taken over from elsewhere
     */
    public function record(
        Conversation $conversation,
        JournalKind $kind,
        Actor $actor,
        array $details = [],
        string $why = '',
        ?Message $message = null,
        ?Note $note = null,
        ?DateTimeInterface $at = null,
    ): JournalEntry {
        $entry = new JournalEntry;
        $entry->forceFill([
            'conversation_id' => $conversation->id,
            'teammate_id' => $actor->teammate?->id,
            'actor' => $actor->kind,
            'kind' => $kind,
            'message_id' => $message?->id,
            'note_id' => $note?->id,
            'details' => $details,
            'why' => mb_substr($why, 0, 300),
            'at' => $at ?? now(),
        ])->save();

        return $entry;
    }
}
