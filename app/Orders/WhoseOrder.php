<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Collection;

/**
 * Whether an order beside a conversation is its customer's, as far as anybody can know: the shop or the marketplace says so, or a
 * person of the team has confirmed it. An order's number says nothing: whoever has seen a parcel or a post can write it.
 */
final class WhoseOrder
{
    /**
     * @param  Order  $order  as one of `Conversation::orders()`
     */
    public static function isTheirs(Order $order, Conversation $conversation): bool
    {
        return self::is($order, $conversation, $order->getRelation('pivot'));
    }

    /**
     * @param  Model  $beside  how it came to stand there: the row between the two
     */
    public static function is(Order $order, Conversation $conversation, Model $beside): bool
    {
        $conversation->loadMissing('joined');
        $customers = [$conversation->customer_id, ...$conversation->joined->pluck('customer_id')->all()];

        return ($order->customer_id !== null && in_array($order->customer_id, $customers, true))
            || $beside->getAttribute('found_by') === 'marketplace'
            || $beside->getAttribute('verified_at') !== null;
    }

    /**
     * @param  Collection<int, Order>  $orders  as `Conversation::orders()` gives them
     * @return Collection<int, Order> those that are somebody else's
     */
    public static function othersOf(Conversation $conversation, Collection $orders): Collection
    {
        return $orders->reject(static fn (Order $order): bool => self::isTheirs($order, $conversation))->values();
    }
}
