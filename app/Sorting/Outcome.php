<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * Why a conversation was resolved.
 *
 * @property int $id
 * @property string $name
 * @property string|null $key one of KnownOutcome; null for the store's own
 * @property CarbonImmutable|null $retired_at
 * @property int|null $merged_into_id
 */
final class Outcome extends Row
{
    protected $table = 'outcomes';

    public $timestamps = false;

    protected $fillable = ['name', 'position'];

    /**
     * @return Builder<Outcome> those that can be chosen
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('position')->orderBy('id');
    }

    /**
     * The one that the program resolves with, made where the store has none yet.
     */
    public static function known(KnownOutcome $known): self
    {
        $there = self::query()->where('key', $known->value)->first();
        if ($there !== null) {
            return $there;
        }
        // One that the store has made by this name is the one.
        self::query()->where('name', $known->usualName())->whereNull('key')->limit(1)->update(['key' => $known->value]);
        self::query()->insertOrIgnore([
            'name' => $known->usualName(), 'position' => (int) self::query()->max('position') + 1, 'key' => $known->value,
        ]);

        return self::query()->where('key', $known->value)->firstOrFail();
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
