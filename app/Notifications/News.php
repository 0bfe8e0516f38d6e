<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that one person is told.
 *
 * @property int $id
 * @property int $teammate_id
 * @property int|null $conversation_id
 * @property NewsKind $kind
 * @property string $text
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $read_at
 * @property Teammate $teammate
 * @property Conversation|null $conversation
 */
final class News extends Row
{
    public $timestamps = false;

    protected $table = 'news';

    protected $guarded = ['*'];

    /**
     * What somebody has not read yet.
     *
     * @return Builder<self>
     */
    public static function unread(Teammate $teammate): Builder
    {
        return self::query()->where('teammate_id', $teammate->id)->where('in_app', true)->whereNull('read_at');
    }

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

    protected function casts(): array
    {
        return ['kind' => NewsKind::class, 'at' => 'immutable_datetime', 'read_at' => 'immutable_datetime'];
    }
}
