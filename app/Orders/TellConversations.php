<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Actor;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Journal;
use App\Orders\Happened\OrderChanged;
use App\Orders\Happened\ParcelSeen;

/**
 * What the shop or the carrier tells of an order goes onto the trail of each conversation beside which it stands,
 * so that people see it and rules can run on it.
 */
final readonly class TellConversations
{
    public function __construct(private Journal $journal, private FollowParcel $parcels) {}

    public function tell(Order $order, OrderChanged|ParcelSeen $what): void
    {
        $open = $order->conversations()
            ->where('state', '!=', ConversationState::Closed)
            ->whereNull('joined_into_id')
            ->with('joined')
            ->get();
        foreach ($open as $conversation) {
            // Where somebody writes who may not know of it, nothing of it is told, to rules neither.
            if (WhoseOrder::is($order, $conversation, $conversation->getRelation('pivot'))) {
                $this->journal->record($conversation, $what, Actor::application());
            }
        }
    }

    /**
     * Also what is not told, such as another scan at the same stage.
     */
    public function seen(Order $order): void
    {
        foreach (
            $order->conversations()->where('state', '!=', ConversationState::Closed)->whereNull('joined_into_id')->get() as $conversation
        ) {
            $this->parcels->of($conversation);
        }
    }
}
