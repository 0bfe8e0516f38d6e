<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Why something comes back, or money goes back.
 *
 * @property int $id
 * @property string $name
 * @property int $position
 * @property CarbonImmutable|null $retired_at
 */
final class ReturnReason extends Row
{
    public $timestamps = false;

    protected $table = 'return_reasons';

    protected $guarded = ['*'];

    /**
     * @return Builder<ReturnReason> those that can be chosen
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('position')->orderBy('id');
    }

    /**
     * @return HasMany<ReturnPolicy, $this>
     */
    public function policies(): HasMany
    {
        return $this->hasMany(ReturnPolicy::class, 'reason_id');
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
