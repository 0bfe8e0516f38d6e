<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Conversation;

/**
 * Notes at a conversation when the parcel of its latest order was last seen, for rules that count from then.
 * A parcel that has arrived, came back or is lost is not waited for.
 */
final class FollowParcel
{
    public function of(Conversation $conversation): void
    {
        $order = $conversation->orders()->with('parcels.scans')->reorder()->orderByDesc('placed_at')->first();
        $unseenSince = $order?->parcels->last()?->progress()->unseenSince;
        if ($unseenSince?->getTimestamp() !== $conversation->parcel_seen_at?->getTimestamp()) {
            Conversation::query()->whereKey($conversation->id)->toBase()->update(['parcel_seen_at' => $unseenSince]);
            $conversation->setAttribute('parcel_seen_at', $unseenSince)->syncOriginalAttribute('parcel_seen_at');
        }
    }
}
