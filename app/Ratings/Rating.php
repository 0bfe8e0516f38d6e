<?php

declare(strict_types=1);

namespace App\Ratings;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a customer said of our answers to one conversation, when we asked.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $customer_id
 * @property int|null $teammate_id who had answered last
 * @property int $score 1 to 5
 * @property string $comment
 * @property CarbonImmutable $rated_at
 * @property Teammate|null $teammate
 */
final class Rating extends Row
{
    protected $table = 'ratings';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    protected function casts(): array
    {
        return ['score' => 'integer', 'rated_at' => 'immutable_datetime'];
    }
}
