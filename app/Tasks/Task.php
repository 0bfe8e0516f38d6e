<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that one person is to do by a time, mostly for a conversation.
 *
 * @property int $id
 * @property int|null $conversation_id
 * @property int $assignee_id
 * @property int $made_by_id
 * @property string $title
 * @property CarbonImmutable $due_at
 * @property int|null $remind_minutes before it falls due
 * @property CarbonImmutable|null $remind_at null where nobody is to be reminded, or was
 * @property CarbonImmutable|null $done_at
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property Teammate $assignee
 * @property Conversation|null $conversation
 */
final class Task extends Row
{
    protected $table = 'tasks';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function assignee(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    protected function casts(): array
    {
        return [
            'due_at' => 'immutable_datetime', 'remind_at' => 'immutable_datetime', 'done_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime', 'updated_at' => 'immutable_datetime',
        ];
    }
}
