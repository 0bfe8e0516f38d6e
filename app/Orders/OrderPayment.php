<?php

declare(strict_types=1);

namespace App\Orders;

use App\Support\Row;

/**
 * @property int $id
 * @property int $order_id
 * @property string $outside_id
 * @property string $kind
 * @property string $label
 * @property int $captured
 * @property int $refunded
 */
final class OrderPayment extends Row
{
    protected $table = 'order_payments';

    public $timestamps = false;

    protected $guarded = ['*'];
}
