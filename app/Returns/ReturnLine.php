<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\OrderLine;
use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was agreed to come back of a line of the order.
 *
 * @property int $id
 * @property int $return_id
 * @property int $order_line_id
 * @property int $quantity
 * @property OrderLine $orderLine
 */
final class ReturnLine extends Row
{
    public $timestamps = false;

    protected $table = 'return_lines';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<OrderLine, $this>
     */
    public function orderLine(): BelongsTo
    {
        return $this->belongsTo(OrderLine::class);
    }
}
