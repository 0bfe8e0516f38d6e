<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\Order;
use App\Refunds\MoneyOfOrder;
use Illuminate\Support\Facades\DB;

/**
 * How much of each line of an order can still come back: what is part of an open return, or whose money has gone back, cannot.
 */
final class UnitsInReturns
{
    /**
     * @return array<int, int> units, by the id of the line
     */
    public static function left(Order $order): array
    {
        $taken = DB::table('return_lines')->join('returns', 'returns.id', '=', 'return_lines.return_id')
            ->where('returns.order_id', $order->id)->whereIn('returns.state', ReturnState::open())
            ->groupBy('return_lines.order_line_id')->selectRaw('return_lines.order_line_id, SUM(return_lines.quantity) AS units')
            ->pluck('units', 'order_line_id');
        $back = MoneyOfOrder::of($order)->unitsBack();
        $left = [];
        foreach ($order->lines as $line) {
            $left[$line->id] = max(0, $line->quantity - max($back[$line->id] ?? 0, $line->returned) - (int) ($taken[$line->id] ?? 0));
        }

        return $left;
    }
}
