<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A time that a person has agreed with the customer, beside what is promised. Changed only by `AgreeTime`.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $teammate_id who agreed it
 * @property CarbonImmutable $at
 * @property string $reason
 * @property CarbonImmutable $agreed_at
 * @property CarbonImmutable|null $ended_at
 * @property string|null $ended_by `answer`, `done`, `another` or `taken_back`
 * @property Teammate $teammate
 */
final class AgreedTime extends Row
{
    public const ANSWERED = 'answer';

    public const DONE = 'done';

    public const REPLACED = 'another';

    public const TAKEN_BACK = 'taken_back';

    public const BY_HAND = [self::REPLACED, self::TAKEN_BACK];

    /** Seconds before it, of which a warning is given, or half of what is left where that is less. */
    private const WARNED_BEFORE = 3600;

    public $timestamps = false;

    protected $table = 'agreed_times';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
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

    /**
     * When a warning and a miss are to be told, as far as that is still to come.
     *
     * @return array{warn_next: CarbonImmutable|null, miss_next: CarbonImmutable|null}
     */
    public function tellings(): array
    {
        $length = $this->at->getTimestamp() - $this->agreed_at->getTimestamp();
        $warn = $this->at->subSeconds(min(self::WARNED_BEFORE, intdiv($length, 2)));

        return ['warn_next' => $warn->isPast() ? null : $warn, 'miss_next' => $this->at->isPast() ? null : $this->at];
    }

    protected function casts(): array
    {
        return [
            'at' => 'immutable_datetime', 'agreed_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
            'warn_next' => 'immutable_datetime', 'miss_next' => 'immutable_datetime',
        ];
    }
}
