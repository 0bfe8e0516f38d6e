<?php

declare(strict_types=1);

namespace App\Orders;

use App\Support\Row;

/**
 * @property int $id
 * @property int $order_id
 * @property string $outside_id
 * @property string $sku
 * @property string $title
 * @property int $quantity
 * @property int $unit_price
 * @property int $discount
 * @property string $tax_rate
 * @property int $sent
 * @property int $returned
 * @property int $refunded
 */
final class OrderLine extends Row
{
    protected $table = 'order_lines';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * What a line is, beside its title: SKU, price of one, what was taken off it, tax.
     */
    public function particulars(Order $order): string
    {
        $percent = TaxPercent::of($this->tax_rate);

        return implode(' · ', array_filter([
            $this->sku,
            $this->quantity > 1 || $this->discount > 0 ? $order->money($this->unit_price).($this->quantity > 1 ? ' each' : '') : '',
            $this->discount > 0 ? $order->money(-$this->discount) : '',
            $percent === '' ? '' : "{$percent} % tax",
        ]));
    }

    public function paid(): int
    {
        return $this->unit_price * $this->quantity - $this->discount;
    }
}
