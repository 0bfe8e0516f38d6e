<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Row;
use Carbon\CarbonImmutable;

/**
 * A picture taken at the bench.
 *
 * @property int $id
 * @property int $return_id
 * @property string $name
 * @property string $media_type
 * @property int $size bytes
 * @property string $sha256
 * @property string $file where its bytes are kept
 * @property CarbonImmutable $at
 */
final class ReturnPhoto extends Row
{
    public $timestamps = false;

    protected $table = 'return_photos';

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
