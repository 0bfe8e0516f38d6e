<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that needs a second person's yes.
 *
 * @property int $id
 * @property int $conversation_id
 * @property string $question
 * @property int|null $asked_of null: any lead or administrator
 * @property int|null $asked_by null: a rule asked
 * @property ApprovalState $state
 * @property int|null $answered_by
 * @property string $answer
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $answered_at
 * @property Teammate|null $askedOf
 * @property Teammate|null $askedBy
 * @property Conversation $conversation
 */
final class Approval extends Row
{
    protected $table = 'approvals';

    public $timestamps = false;

    protected $guarded = ['*'];

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
    public function askedOf(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'asked_of');
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function askedBy(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'asked_by');
    }

    protected function casts(): array
    {
        return ['state' => ApprovalState::class, 'asked_at' => 'immutable_datetime', 'answered_at' => 'immutable_datetime'];
    }
}
