<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\OutsideItem;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use Cairnfield\Core\Threading\PersonCandidate;
use Cairnfield\Core\Threading\PersonHints;
use Cairnfield\Core\Threading\PersonThreading;
use Cairnfield\Core\Threading\ThreadingDecision;
use Illuminate\Support\Facades\DB;

/**
 * Gathers a person's conversations on an account, and has the core decide which one an item without
 * a subject belongs to.
 */
final class FindPersonThread
{
    private const LATEST = 10;

    public function for(Account $account, OutsideItem $item, ?int $customerId): ThreadingDecision
    {
        if ($customerId === null) {
            return ThreadingDecision::beginsNew();
        }
        // Who writes a call down goes on with what they read.
        $conversations = ($item->kind === ItemKind::Call ? Conversation::readable() : Conversation::query())
            ->where('customer_id', $customerId)
            ->where('account_id', $account->id)
            ->whereIn('kind', $item->kind->goesOnWith())
            ->orderByDesc('last_message_at')
            ->limit(self::LATEST)
            ->get(['id', 'state', 'last_message_at']);
        $threads = $conversations->isEmpty() ? [] : DB::table('channel_items')
            ->whereIn('conversation_id', $conversations->modelKeys())
            ->whereNotNull('thread')
            ->distinct()
            ->get(['conversation_id', 'thread'])
            ->groupBy('conversation_id')
            ->map(static fn ($rows): array => $rows->pluck('thread')->all())
            ->all();

        return PersonThreading::decide(
            new PersonHints(
                $item->thread, $item->answersOurs,
                $account->channel->type()->joinsBySender() ? $account->arrivals()->joinHours * 3600 : 0,
                now()->toDateTimeImmutable()
            ),
            ...array_values($conversations->map(static fn (Conversation $conversation): PersonCandidate => new PersonCandidate(
                $conversation->id,
                $conversation->state === ConversationState::Closed,
                array_values($threads[$conversation->id] ?? []),
                $conversation->last_message_at,
            ))->all()),
        );
    }
}
