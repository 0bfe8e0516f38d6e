<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Changes\Chosen;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One change to many conversations: first looked at, then made, and undone within ten minutes.
 *
 * @property int $id
 * @property int $teammate_id
 * @property string $does a change of the catalogue, or a `BulkAnswer`
 * @property string $value
 * @property string|null $text
 * @property string $label
 * @property string $state
 * @property CarbonImmutable|null $undo_until
 * @property Teammate $teammate
 */
final class BulkChange extends Row
{
    protected $table = 'bulk_changes';

    public const PLANNED = 'planned';

    public const RUNNING = 'running';

    public const DONE = 'done';

    public const UNDOING = 'undoing';

    public const UNDONE = 'undone';

    protected $guarded = ['*'];

    /**
     * How it answers customers; null where it does not.
     */
    public function answersBy(): ?BulkAnswer
    {
        return BulkAnswer::tryFrom($this->does);
    }

    /**
     * What was chosen, for a change of the catalogue.
     */
    public function chosen(): Chosen
    {
        return new Chosen($this->value, (string) $this->text);
    }

    public function canBeUndone(): bool
    {
        return $this->state === self::DONE && $this->undo_until !== null && $this->undo_until->isFuture();
    }

    public function isAtWork(): bool
    {
        return $this->state === self::RUNNING || $this->state === self::UNDOING;
    }

    /**
     * @return HasMany<BulkItem, $this>
     */
    public function items(): HasMany
    {
        return $this->hasMany(BulkItem::class);
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
        return ['undo_until' => 'immutable_datetime'];
    }
}
