<?php

declare(strict_types=1);

namespace App\Orders;

use Illuminate\Support\Collection;

/**
 * The orders that a message is about, each with how it was found, and numbers that nobody knows yet.
 */
final readonly class FoundOrders
{
    /**
     * @param  Collection<int, Order>  $orders
     * @param  array<int, string>  $by  by the order's id
     * @param  list<string>  $unknown
     */
    public function __construct(public Collection $orders, public array $by, public array $unknown) {}
}
