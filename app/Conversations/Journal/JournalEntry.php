<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\Note;
use App\Support\Row;
use App\Support\StoresRows;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One line of the record: who or what, when, what, why. Never edited; the database refuses it.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int|null $teammate_id
 * @property string $actor
 * @property JournalKind $kind
 * @property int|null $message_id
 * @property int|null $note_id
 * @property array<string, mixed> $details see `payload`
 * @property array<string, mixed>|null $cause see `cause`
 * @property string $why
 * @property CarbonImmutable $at
 * @property Teammate|null $teammate
 * @property Conversation $conversation
 * @property Message|null $message
 * @property Note|null $note
 */
final class JournalEntry extends Row
{
    use StoresRows;

    public $timestamps = false;

    protected $table = 'journal';

    protected $guarded = ['*'];

    /**
     * What happened.
     */
    public function payload(): Payload
    {
        return PayloadFormat::read(app(Payloads::class)->of($this->kind), $this->details);
    }

    /**
     * What brought it about, where it was no person alone.
     */
    public function cause(): ?Cause
    {
        // Tens of thousands are looked at when a rule is tried out, most of them without.
        return ($this->getAttributes()['cause'] ?? null) === null ? null : Cause::read((array) $this->cause);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return BelongsTo<Message, $this>
     */
    public function message(): BelongsTo
    {
        return $this->belongsTo(Message::class);
    }

    /**
     * @return BelongsTo<Note, $this>
     */
    public function note(): BelongsTo
    {
        return $this->belongsTo(Note::class);
    }

    protected function casts(): array
    {
        return [
            'kind' => JournalKind::class,
            'details' => 'array',
            'cause' => 'array',
            'at' => 'immutable_datetime',
        ];
    }
}
