<?php

declare(strict_types=1);

namespace App\Customers;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That two customers were made one, with what was moved for it.
 *
 * @property int $id
 * @property int $kept_id
 * @property int $merged_id
 * @property int $teammate_id
 * @property array<string, list<int>> $moved ids by table
 * @property array{facts: array<string, string>, language: string|null, company?: int|null, role?: string|null,
 *   fields?: array<int, list<array<string, mixed>>>}|null $given what the kept one had not of its own; null for merges before
 *   this was noted
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $undone_at
 * @property Customer $kept
 * @property Customer $merged
 * @property Teammate $teammate
 */
final class CustomerMerge extends Row
{
    protected $table = 'customer_merges';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function kept(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function merged(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
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
