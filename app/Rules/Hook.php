<?php

declare(strict_types=1);

namespace App\Rules;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * A program elsewhere that rules tell of what happened, by a signed request. Only administrators say where.
 *
 * @property int $id
 * @property string $name
 * @property string $address
 * @property string $secret what requests are signed with
 * @property string|null $last_error
 * @property CarbonImmutable|null $last_error_at
 * @property CarbonImmutable|null $retired_at
 */
final class Hook extends Row
{
    protected $table = 'hooks';

    protected $guarded = ['*'];

    protected $hidden = ['secret'];

    /**
     * @return Builder<Hook>
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('name');
    }

    protected function casts(): array
    {
        return ['secret' => 'encrypted', 'last_error_at' => 'immutable_datetime', 'retired_at' => 'immutable_datetime'];
    }
}
