<?php

declare(strict_types=1);

namespace App\Sorting;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * A word that conversations are marked with.
 *
 * @property int $id
 * @property string $name
 * @property string $folded
 * @property CarbonImmutable|null $retired_at
 * @property int|null $merged_into_id
 */
final class Tag extends Model
{
    protected $guarded = ['*'];

    /**
     * @return Builder<Tag> those that can be given
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('folded');
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
