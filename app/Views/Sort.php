<?php

declare(strict_types=1);

namespace App\Views;

use App\Conversations\Conversation;
use Illuminate\Database\Eloquent\Builder;

/**
 * The order of a view's rows; each by an index.
 */
enum Sort: string
{
    case NextUp = 'next_up';
    case Latest = 'latest';
    case Earliest = 'earliest';
    case Newest = 'newest';
    case Oldest = 'oldest';

    public function label(): string
    {
        return match ($this) {
            self::NextUp => 'the most urgent first',
            self::Latest => 'the latest message first',
            self::Earliest => 'the longest quiet first',
            self::Newest => 'the newest conversation first',
            self::Oldest => 'the oldest conversation first',
        };
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    public function order(Builder $query): void
    {
        match ($this) {
            self::NextUp => $query->orderBy('next_up')->orderBy('id'),
            self::Latest => $query->orderByDesc('last_message_at')->orderByDesc('id'),
            self::Earliest => $query->orderBy('last_message_at')->orderBy('id'),
            self::Newest => $query->orderByDesc('created_at')->orderByDesc('id'),
            self::Oldest => $query->orderBy('created_at')->orderBy('id'),
        };
    }
}
