<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Workspace\WhatIsThere;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The orders beside a conversation, with all that is shown of them. A fixed number of queries.
 */
final class OrderLedger
{
    private const LATEST_OF_CUSTOMER = 20;

    /**
     * @return array<string, mixed>
     */
    public function of(Conversation $conversation, WhatIsThere $there): array
    {
        $orders = $there->has('orders')
            ? $conversation->orders()->with(['lines', 'payments', 'parcels.scans', 'customer.handles'])->get()
            : new Collection;
        $ofOthers = WhoseOrder::othersOf($conversation, $orders);
        $attached = $orders->modelKeys();
        // Where there are no others, they are those beside it that are the customer's.
        $latest = ! $there->has('otherOrders') ? $orders->where('customer_id', $conversation->customer_id) : Order::query()
            ->where('customer_id', $conversation->customer_id)
            ->orderByDesc('placed_at')
            ->limit(self::LATEST_OF_CUSTOMER)
            ->get();

        return [
            'orders' => $orders,
            'ofOthers' => $ofOthers->keyBy('id'),
            'stock' => $this->stock($orders),
            'otherOrders' => $latest->whereNotIn('id', $attached)->values(),
            'orderCount' => $latest->count() < self::LATEST_OF_CUSTOMER
                ? $latest->count()
                : Order::query()->where('customer_id', $conversation->customer_id)->count(),
            'unknownNumbers' => ! $there->has('unknownNumbers') ? collect() : DB::table('unknown_numbers')
                ->where('conversation_id', $conversation->id)
                ->orderBy('number')
                ->get(['number', 'asked_at']),
            'sameOrder' => $there->has('sameOrder') ? $this->elsewhere($conversation, $attached) : new Collection,
        ];
    }

    /**
     * Conversations that go on about one of the same orders.
     *
     * @param  array<int, int>  $orderIds
     * @return Collection<int, Conversation>
     */
    public function elsewhere(Conversation $conversation, array $orderIds): Collection
    {
        return $conversation->joined_into_id !== null || $orderIds === [] ? new Collection : Conversation::readable()
            ->whereKeyNot($conversation->id)
            ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])
            ->whereNull('joined_into_id')
            ->whereHas('orders', fn ($orders) => $orders->whereKey($orderIds))
            ->with(['customer', 'owner', 'account', 'joined', 'orders' => fn ($orders) => $orders->whereKey($orderIds)])
            ->orderBy('id')
            ->limit(10)
            ->get();
    }

    /**
     * @param  Collection<int, Order>  $orders
     * @return array<string, int> pieces by article number
     */
    private function stock(Collection $orders): array
    {
        $skus = $orders->flatMap(static fn (Order $order): array => $order->lines->pluck('sku')->all())->unique()->values()->all();

        return $skus === [] ? [] : Product::query()->whereIn('sku', $skus)->pluck('stock', 'sku')->all();
    }
}
