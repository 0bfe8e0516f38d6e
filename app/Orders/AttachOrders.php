<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Orders\Happened\OrderAttached;
use App\Orders\Happened\OrderDetached;
use Illuminate\Support\Facades\DB;

/**
 * Puts orders beside a conversation. What is there already stays as it is.
 */
final readonly class AttachOrders
{
    public function __construct(private Journal $journal, private FollowParcel $parcels, private FollowsAttached $follows) {}

    public function attach(Conversation $conversation, FoundOrders $found, Actor $actor): void
    {
        if ($found->unknown !== []) {
            DB::table('unknown_numbers')->insertOrIgnore(array_map(
                static fn (string $number): array => ['conversation_id' => $conversation->id, 'number' => mb_substr($number, 0, 60)],
                $found->unknown,
            ));
            foreach ($found->unknown as $number) {
                LookUpNumber::dispatch($number)->afterCommit();
            }
        }
        foreach ($found->orders as $order) {
            $this->one($conversation, $order, $found->by[$order->id] ?? 'number', $actor);
        }
    }

    public function one(Conversation $conversation, Order $order, string $by, Actor $actor): void
    {
        $added = DB::table('conversation_order')->insertOrIgnore([
            'conversation_id' => $conversation->id, 'order_id' => $order->id, 'found_by' => $by, 'at' => now(),
        ]);
        if ($added === 0) {
            return;
        }
        $this->journal->record($conversation, new OrderAttached(new Named($order->id, $order->number), $by), $actor, match ($by) {
            'number' => 'its number is in the text',
            'marketplace' => 'the marketplace names it',
            'exchange' => 'it is sent in place of another',
            'handle' => 'the customer’s only order of the last 60 days',
            default => '',
        });
        $this->parcels->of($conversation);
        $this->follows->attached($conversation, $order, $by);
    }

    public function detach(Conversation $conversation, Order $order, Actor $actor): void
    {
        if (DB::table('conversation_order')->where('conversation_id', $conversation->id)->where('order_id', $order->id)->delete() > 0) {
            $this->journal->record($conversation, new OrderDetached(new Named($order->id, $order->number)), $actor);
            $this->parcels->of($conversation);
        }
    }
}
