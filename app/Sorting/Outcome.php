<?php

declare(strict_types=1);

namespace App\Sorting;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * Why a conversation was resolved.
 *
 * @property int $id
 * @property string $name
 * @property CarbonImmutable|null $retired_at
 * @property int|null $merged_into_id
 */
final class Outcome extends Model
{
    public $timestamps = false;

    protected $fillable = ['name', 'position'];

    /**
     * @return Builder<Outcome> those that can be chosen
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('position')->orderBy('id');
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
