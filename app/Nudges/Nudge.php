<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A nudge plan at work in one conversation.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $nudge_plan_id
 * @property int $teammate_id as whom it writes
 * @property int $sent reminders so far
 * @property string $state
 * @property string $reason why it was called off
 * @property int $failures of the next reminder so far
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $next_at
 * @property NudgePlan $plan
 * @property Conversation $conversation
 * @property Teammate $teammate
 */
final class Nudge extends Row
{
    protected $table = 'nudges';

    public const RUNNING = 'running';

    public const DONE = 'done';

    public const CALLED_OFF = 'off';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<NudgePlan, $this>
     */
    public function plan(): BelongsTo
    {
        return $this->belongsTo(NudgePlan::class, 'nudge_plan_id');
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

    protected function casts(): array
    {
        return ['started_at' => 'immutable_datetime', 'next_at' => 'immutable_datetime'];
    }
}
