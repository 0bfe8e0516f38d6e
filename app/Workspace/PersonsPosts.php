<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Customers\Handle;
use Illuminate\Database\Eloquent\Collection;

/**
 * What else a customer said to us in public, outside this conversation.
 */
final class PersonsPosts
{
    private const LATEST = 5;

    /**
     * @return Collection<int, ChannelItem>
     */
    public function of(Conversation $conversation): Collection
    {
        $handles = $conversation->customer->handles->filter(
            static fn (Handle $handle): bool => ! in_array($handle->kind, ['email', 'telephone'], true)
        );

        return $handles->isEmpty() ? new Collection : ChannelItem::query()
            ->where('public', true)
            ->where(fn ($query) => $query->whereNull('conversation_id')->orWhereNotIn('conversation_id', $conversation->withJoined()))
            ->where(function ($query) use ($handles): void {
                foreach ($handles as $handle) {
                    $query->orWhere(fn ($one) => $one->where('author_kind', $handle->kind)->where('author', $handle->value));
                }
            })
            ->with('account')
            ->orderByDesc('posted_at')
            ->limit(self::LATEST)
            ->get();
    }
}
