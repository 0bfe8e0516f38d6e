<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Customers\MergeCustomers;
use App\Orders\Happened\BuyerVerified;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/**
 * What a person says of somebody who writes about an order that somebody else placed, or asks the one who did.
 */
final readonly class BuyerController
{
    use ActsOnConversation;

    public function __construct(private Journal $journal, private MergeCustomers $mergeCustomers, private AskBuyer $askBuyer) {}

    /**
     * They may know of it: a gift, a neighbour, somebody of the same household.
     */
    public function mayKnow(Request $request, Conversation $conversation, Order $order): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $beside = $this->beside($conversation, $order);
        DB::transaction(function () use ($request, $conversation, $beside): void {
            $teammate = SignedIn::teammate($request);
            $isNew = DB::table('conversation_order')
                ->where(['conversation_id' => $conversation->id, 'order_id' => $beside->id])
                ->whereNull('verified_at')
                ->update(['verified_at' => now(), 'verified_by_id' => $teammate->id]) === 1;
            if ($isNew) {
                $this->journal->record(
                    $conversation, new BuyerVerified(new Named($beside->id, $beside->number)), Actor::teammate($teammate)
                );
            }
        });

        return $this->done($conversation, "Order {$beside->number} is shown here in full now.");
    }

    /**
     * They are the one who placed it, at another address.
     */
    public function isBuyer(Request $request, Conversation $conversation, Order $order): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $beside = $this->beside($conversation, $order);
        $buyer = $beside->customer ?? throw ConversationRefused::nobodyKnownOfOrder($beside->number);
        if ($buyer->id !== $conversation->customer_id) {
            $this->mergeCustomers->merge($buyer, $conversation->customer()->firstOrFail(), SignedIn::teammate($request));
        }

        return $this->done($conversation, "They are {$buyer->name} now. On the page of the customer it can be undone.");
    }

    public function ask(Request $request, Conversation $conversation, Order $order): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $written = $request->validate(['text' => ['required', 'string', 'max:20000'], 'once' => ['required', 'uuid']]);
        $asked = $this->askBuyer->ask(
            $conversation, $this->beside($conversation, $order), SignedIn::teammate($request), $written['text'], $written['once']
        );

        return $this->done($conversation, "Asked in {$asked->number()}. Nothing of it goes to who wrote here.");
    }

    private function beside(Conversation $conversation, Order $order): Order
    {
        return $conversation->orders()->with('customer.handles')->findOrFail($order->id);
    }
}
