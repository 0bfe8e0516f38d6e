<?php

declare(strict_types=1);

namespace App\Orders;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $account_id
 * @property string $sku
 * @property string $title
 * @property int $price
 * @property int $stock
 * @property CarbonImmutable $fetched_at
 */
final class Product extends Model
{
    public $timestamps = false;

    protected $guarded = ['*'];

    protected function casts(): array
    {
        return ['fetched_at' => 'immutable_datetime'];
    }
}
