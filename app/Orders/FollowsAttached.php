<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;

/**
 * Who else wants to know that an order stands beside a conversation from now on. Told in its transaction.
 */
interface FollowsAttached
{
    public function attached(Conversation $conversation, Order $order, string $by): void;
}
