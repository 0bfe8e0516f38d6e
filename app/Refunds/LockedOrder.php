<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Orders\Order;

/**
 * An order that money is given back of, for one person at a time; with its customer, whose limit is counted over all their orders. Always
 * in this order, so that no two wait for each other.
 */
final class LockedOrder
{
    /** Of a transaction: the later ones follow where two waited for each other all the same. */
    public const ATTEMPTS = 3;

    /**
     * Within a transaction.
     *
     * @param  Conversation|null  $conversation  that will be written to; null where there is none, or it is locked already
     */
    public static function of(int $order, ?Conversation $conversation): Order
    {
        $conversation === null ?: Conversation::query()->whereKey($conversation->id)->lockForUpdate()->value('id');
        $customer = Order::query()->whereKey($order)->value('customer_id');
        $customer === null ?: Customer::query()->whereKey($customer)->lockForUpdate()->value('id');

        return Order::query()->lockForUpdate()->with(['lines', 'payments'])->findOrFail($order);
    }
}
