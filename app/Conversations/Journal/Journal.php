<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\Note;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;

/**
 * Writes the record of every change, in the transaction of the change.
 */
final readonly class Journal
{
    public function __construct(private CurrentCause $cause, private BeforeCommit $followed) {}

    /**
     * @param  DateTimeInterface|null  $at  when it happened; now, but for what is taken over from elsewhere
     * @param  Cause|null  $cause  what brought it about; what does just now, but for what is taken over
     */
    public function record(
        Conversation $conversation,
        Payload $what,
        Actor $actor,
        string $why = '',
        ?Message $message = null,
        ?Note $note = null,
        ?DateTimeInterface $at = null,
        ?Cause $cause = null,
    ): JournalEntry {
        $entry = JournalEntry::store([
            'conversation_id' => $conversation->id,
            'teammate_id' => $actor->teammate?->id,
            'actor' => $actor->kind,
            'kind' => $what::kind(),
            'message_id' => $message?->id,
            'note_id' => $note?->id,
            'details' => PayloadFormat::write($what),
            'cause' => ($cause ?? $this->cause->get())?->toArray(),
            'why' => mb_substr($why, 0, 300),
            'at' => $at ?? now(),
        ]);
        $this->followed->wrote($conversation->id, $what::kind());

        return $entry;
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
     * @param  array{Payload, Actor, string, Message|null}  ...$entries  what, who, why, message
     */
    public function recordAll(Conversation $conversation, array ...$entries): void
    {
        $at = now();
        $cause = $this->cause->get()?->toArray();
        DB::table('journal')->insert(array_map(static fn (array $entry): array => [
            'conversation_id' => $conversation->id,
            'teammate_id' => $entry[1]->teammate?->id,
            'actor' => $entry[1]->kind,
            'kind' => $entry[0]::kind()->value,
            'message_id' => $entry[3]?->id,
            'details' => self::json(PayloadFormat::write($entry[0])),
            'cause' => $cause === null ? null : self::json($cause),
            'why' => mb_substr($entry[2], 0, 300),
            'at' => $at,
        ], $entries));
        foreach ($entries as $entry) {
            $this->followed->wrote($conversation->id, $entry[0]::kind());
        }
    }

    /**
     * @param  array<string, mixed>  $data
     */
    private static function json(array $data): string
    {
        return json_encode($data === [] ? new \stdClass : $data, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
