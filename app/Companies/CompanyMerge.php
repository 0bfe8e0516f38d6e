<?php

declare(strict_types=1);

namespace App\Companies;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That two companies were made one, with what was moved for it.
 *
 * @property int $id
 * @property int $kept_id
 * @property int $merged_id
 * @property int $teammate_id
 * @property array<string, list<int>> $moved ids by table
 * @property array{addresses: list<string>, responsible: int|null, fields?: array<int, list<array<string, mixed>>>} $given
 *   what the kept one had not of its own
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $undone_at
 * @property Company $kept
 * @property Company $merged
 * @property Teammate $teammate
 */
final class CompanyMerge extends Row
{
    protected $table = 'company_merges';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Company, $this>
     */
    public function kept(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /**
     * @return BelongsTo<Company, $this>
     */
    public function merged(): BelongsTo
    {
        return $this->belongsTo(Company::class);
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
        return ['moved' => 'array', 'given' => 'array', 'at' => 'immutable_datetime', 'undone_at' => 'immutable_datetime'];
    }
}
