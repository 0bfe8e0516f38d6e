<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;
use App\Team\Teammate;
use App\Workspace\Panel;
use App\Workspace\PanelPlace;

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

    public function content(Conversation $conversation, Teammate $teammate): array
    {
        return $this->ledger->of($conversation);
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
