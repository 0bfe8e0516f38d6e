<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;
use App\Workspace\WhatIsThere;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The orders beside a conversation, their parcels and payments, and the customer’s others.
 */
final readonly class OrdersPanel implements Panel
{
    public function __construct(private OrderLedger $ledger) {}

    public function place(): PanelPlace
    {
        return PanelPlace::Beside;
    }

    public function asks(Conversation $conversation): array
    {
        $ofThis = static fn (): Builder => DB::table('conversation_order')->where('conversation_id', $conversation->id);

        return [
            'orders' => $ofThis(),
            'otherOrders' => DB::table('orders')
                ->where('customer_id', $conversation->customer_id)
                ->whereNotIn('id', $ofThis()->select('order_id')),
            'sameOrder' => DB::table('conversation_order')
                ->whereIn('order_id', $ofThis()->select('order_id'))
                ->where('conversation_id', '!=', $conversation->id),
            'unknownNumbers' => DB::table('unknown_numbers')->where('conversation_id', $conversation->id),
        ];
    }

    public function offers(): array
    {
        return [];
    }

    public function content(Conversation $conversation, Teammate $teammate, WhatIsThere $there): array
    {
        return $this->ledger->of($conversation, $there);
    }

    public function shows(): string
    {
        return 'orders.beside';
    }

    public function begins(): null
    {
        return null;
    }
}
