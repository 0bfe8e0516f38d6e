<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Conversations\Conversation;
use App\Sorting\WhoMayRead;
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
 * @property string|null $path where it is, where that is not the conversation
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
     * What somebody was told; not of what they do not read any more.
     *
     * @return Builder<self>
     */
    public static function of(Teammate $teammate): Builder
    {
        return app(WhoMayRead::class)->narrowWhatTellsOf(
            self::query()->where('teammate_id', $teammate->id)->where('in_app', true), 'news.conversation_id', $teammate
        );
    }

    /**
     * What somebody has not read yet.
     *
     * @return Builder<self>
     */
    public static function unread(Teammate $teammate): Builder
    {
        return self::of($teammate)->whereNull('read_at');
    }

    /**
     * Where what it tells of is; null where there is nothing to open.
     */
    public function opens(): ?string
    {
        return $this->path ?? ($this->conversation_id === null ? null : "/conversations/{$this->conversation_id}");
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
