<?php

declare(strict_types=1);

namespace App\Conversations;

use DateTimeInterface;
use Illuminate\Support\Facades\DB;

/**
 * Writes the record of every change, in the transaction of the change.
 */
final readonly class Journal
{
    public function __construct(private Cause $cause) {}

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
        return JournalEntry::store([
            'conversation_id' => $conversation->id,
            'teammate_id' => $actor->teammate?->id,
            'actor' => $actor->kind,
            'kind' => $kind,
            'message_id' => $message?->id,
            'note_id' => $note?->id,
            'details' => [...$details, ...$this->cause->details()],
            'why' => mb_substr($why, 0, 300),
            'at' => $at ?? now(),
        ]);
    }

    /**
     * The number of the last entry that there is.
     */
    public function latest(Conversation $conversation): int
    {
        return (int) JournalEntry::query()->where('conversation_id', $conversation->id)->max('id');
    }

    /**
     * Of what kind those were that came after an entry.
     *
     * @return list<JournalKind>
     */
    public function kindsSince(Conversation $conversation, int $entry): array
    {
        return array_values(
            JournalEntry::query()->where('conversation_id', $conversation->id)->where('id', '>', $entry)->pluck('kind')->unique()->all()
        );
    }

    /**
     * Several entries at once, in their order.
     *
     * @param  array{JournalKind, Actor, array<string, string|null>, string, Message|null}  ...$entries  kind, actor, details, why, message
     */
    public function recordAll(Conversation $conversation, array ...$entries): void
    {
        $at = now();
        $cause = $this->cause->details();
        DB::table('journal')->insert(array_map(static fn (array $entry): array => [
            'conversation_id' => $conversation->id,
            'teammate_id' => $entry[1]->teammate?->id,
            'actor' => $entry[1]->kind,
            'kind' => $entry[0]->value,
            'message_id' => $entry[4]?->id,
            'details' => json_encode([...$entry[2], ...$cause], JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'why' => mb_substr($entry[3], 0, 300),
            'at' => $at,
        ], $entries));
    }
}
