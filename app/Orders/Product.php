<?php

declare(strict_types=1);

namespace App\Orders;

use App\Support\Row;
use Carbon\CarbonImmutable;

/**
 * @property int $id
 * @property int $account_id
 * @property string $sku
 * @property string $title
 * @property int $price
 * @property int $stock
 * @property CarbonImmutable $fetched_at
 */
final class Product extends Row
{
    protected $table = 'products';

    public $timestamps = false;

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['fetched_at' => 'immutable_datetime'];
    }
}
