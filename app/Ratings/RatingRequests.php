<?php

declare(strict_types=1);

namespace App\Ratings;

use App\Conversations\Conversation;

/**
 * Who was asked how it went, and who may be: nobody is asked again and again.
 */
final class RatingRequests
{
    private const ASKED_AGAIN_DAYS = 14;

    /**
     * Why its customer is not asked now; null where they may be.
     */
    public function whyNot(Conversation $conversation): ?string
    {
        return match (true) {
            $conversation->rating()->exists() => 'they have rated it already',
            Conversation::query()
                ->where('customer_id', $conversation->customer_id)
                ->where('rating_asked_at', '>', now()->subDays(self::ASKED_AGAIN_DAYS))
                ->exists() => 'this customer was asked within the last '.self::ASKED_AGAIN_DAYS.' days already',
            default => null,
        };
    }

    /**
     * They were asked just now. The answer that asks them is in the journal.
     */
    public function note(Conversation $conversation): void
    {
        Conversation::query()->whereKey($conversation->id)->update(['rating_asked_at' => now()]);
    }
}
