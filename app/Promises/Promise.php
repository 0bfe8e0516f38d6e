<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Support\Row;
use Cairnfield\Core\Promises\InstanceState;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One promise in one conversation, as it was reckoned. Written by `KeepPromises` alone.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int|null $promise_set_id null for what a marketplace wants
 * @property int|null $version of the set, by which it was measured
 * @property PromisedKind $kind
 * @property CarbonImmutable $started_at
 * @property int $number among those of its kind that started at one instant
 * @property CarbonImmutable|null $ended_at
 * @property InstanceState $state
 * @property string $priority
 * @property int $target seconds
 * @property int $spent seconds, up to its end; while it runs, up to when it was reckoned
 * @property bool|null $kept
 * @property CarbonImmutable|null $due_at
 * @property CarbonImmutable|null $warn_at
 * @property CarbonImmutable|null $warned_at
 * @property CarbonImmutable|null $missed_at
 * @property Conversation $conversation
 */
final class Promise extends Row
{
    public $timestamps = false;

    protected $table = 'promises';

    protected $guarded = ['*'];

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
            'kind' => PromisedKind::class,
            'state' => InstanceState::class,
            'kept' => 'boolean',
            'started_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'due_at' => 'immutable_datetime',
            'warn_at' => 'immutable_datetime',
            'warned_at' => 'immutable_datetime',
            'missed_at' => 'immutable_datetime',
        ];
    }
}
