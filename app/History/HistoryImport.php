<?php

declare(strict_types=1);

namespace App\History;

use App\Channels\Account;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One file of history that is being taken over, how far it has come, and what was not taken.
 *
 * @property int $id
 * @property int|null $teammate_id
 * @property int $account_id
 * @property HistoryFormat $format
 * @property string $name
 * @property string $file
 * @property string $state
 * @property int $size
 * @property int $position the byte, or the item of a folder, to go on from
 * @property int $taken
 * @property int $again
 * @property int $refused
 * @property string|null $problem
 * @property CarbonImmutable|null $lease_until
 * @property CarbonImmutable|null $finished_at
 * @property CarbonImmutable $created_at
 * @property Account $account
 * @property Teammate|null $teammate
 * @property Collection<int, HistoryImportProblem> $problems
 */
final class HistoryImport extends Row
{
    protected $table = 'history_imports';

    public const RUNNING = 'running';

    public const STOPPED = 'stopped';

    public const DONE = 'done';

    public const FAILED = 'failed';

    protected $guarded = ['*'];

    protected $attributes = ['position' => 0, 'taken' => 0, 'again' => 0, 'refused' => 0];

    public function percent(): int
    {
        return $this->state === self::DONE ? 100 : (int) min(99, intdiv($this->position * 100, max(1, $this->size)));
    }

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return HasMany<HistoryImportProblem, $this>
     */
    public function problems(): HasMany
    {
        return $this->hasMany(HistoryImportProblem::class);
    }

    protected function casts(): array
    {
        return [
            'format' => HistoryFormat::class,
            'lease_until' => 'immutable_datetime',
            'finished_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }
}
