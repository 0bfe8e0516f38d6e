<?php

declare(strict_types=1);

namespace App\Returns;

use App\Customers\CustomerGroup;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What holds where something comes back for a reason. Changed only by `SaveReturnPolicy`; a return keeps the one it began with.
 *
 * @property int $id
 * @property int $reason_id
 * @property string|null $marketplace where the order was sold; null for everywhere
 * @property int|null $group_id of the customers it is for; null for all
 * @property string $product_words of which one stands in the title of the product, with commas; empty for all
 * @property array<string, mixed> $terms as `ReturnTerms` reads them
 * @property int $version
 * @property CarbonImmutable|null $retired_at
 * @property ReturnReason $reason
 * @property CustomerGroup|null $group
 */
final class ReturnPolicy extends Row
{
    public $timestamps = false;

    protected $table = 'return_policies';

    protected $guarded = ['*'];

    public function agreed(): ReturnTerms
    {
        return ReturnTerms::ofArray($this->terms);
    }

    public function isForAll(): bool
    {
        return $this->marketplace === null && $this->group_id === null && $this->product_words === '';
    }

    /**
     * For whom and what it is, in words.
     */
    public function scope(): string
    {
        return $this->isForAll() ? 'everything' : implode(', ', array_filter([
            $this->product_words === '' ? null : "products with {$this->product_words}",
            $this->group === null ? null : "customers of {$this->group->name}", $this->marketplace === null ? null
                : "sold on {$this->marketplace}",
        ]));
    }

    /**
     * @return list<string>
     */
    public function words(): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', mb_strtolower($this->product_words)))));
    }

    /**
     * @return BelongsTo<ReturnReason, $this>
     */
    public function reason(): BelongsTo
    {
        return $this->belongsTo(ReturnReason::class, 'reason_id');
    }

    /**
     * @return BelongsTo<CustomerGroup, $this>
     */
    public function group(): BelongsTo
    {
        return $this->belongsTo(CustomerGroup::class, 'group_id');
    }

    /**
     * @return HasMany<ReturnPolicyVersion, $this>
     */
    public function versions(): HasMany
    {
        return $this->hasMany(ReturnPolicyVersion::class, 'policy_id');
    }

    protected function casts(): array
    {
        return ['terms' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
