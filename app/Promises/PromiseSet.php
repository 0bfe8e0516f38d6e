<?php

declare(strict_types=1);

namespace App\Promises;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What the team promises to those whom its condition fits. The first one that fits applies. Changed only by `SavePromiseSet`.
 *
 * @property int $id
 * @property string $name
 * @property int $place in the order in which they are tried
 * @property bool $on
 * @property array<string, mixed> $condition
 * @property list<array{kind: string, seconds: array<string, int>, calendar: int|null, warn_before: int, runs_in: list<string>}> $targets
 * @property int $version
 * @property CarbonImmutable|null $retired_at
 */
final class PromiseSet extends Row
{
    protected $table = 'promise_sets';

    protected $guarded = ['*'];

    /**
     * @return Builder<PromiseSet>
     */
    public static function inOrder(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('place')->orderBy('id');
    }

    /**
     * @return HasMany<PromiseSetVersion, $this>
     */
    public function versions(): HasMany
    {
        return $this->hasMany(PromiseSetVersion::class);
    }

    protected function casts(): array
    {
        return ['on' => 'boolean', 'condition' => 'array', 'targets' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
