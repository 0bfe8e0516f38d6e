<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An answer that is sent at a time, or then unless the customer answers first.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $teammate_id
 * @property array<string, mixed> $reply
 * @property CarbonImmutable $send_at
 * @property bool $unless_answered
 * @property string $state
 * @property string $reason
 * @property Conversation $conversation
 * @property Teammate $teammate
 */
final class ScheduledReply extends Row
{
    protected $table = 'scheduled_replies';

    public const DUE = 'due';

    public const SENT = 'sent';

    public const CALLED_OFF = 'off';

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
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    protected function casts(): array
    {
        return ['reply' => 'array', 'send_at' => 'immutable_datetime', 'unless_answered' => 'boolean'];
    }
}
