<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\OrderLine;
use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What went back of one line of the order.
 *
 * @property int $id
 * @property int $refund_id
 * @property int $order_line_id
 * @property int $quantity
 * @property int $net
 * @property int $tax
 * @property int $gross
 * @property OrderLine $orderLine
 */
final class RefundLine extends Row
{
    public $timestamps = false;

    protected $table = 'refund_lines';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<OrderLine, $this>
     */
    public function orderLine(): BelongsTo
    {
        return $this->belongsTo(OrderLine::class);
    }
}
