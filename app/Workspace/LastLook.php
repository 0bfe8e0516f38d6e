<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Up to where somebody has read a conversation, so that what happened while they were away can be marked.
 */
final class LastLook
{
    /**
     * The newest entry that they have been shown; 0 where they never looked.
     */
    public function seen(Conversation $conversation, Teammate $teammate): int
    {
        return (int) DB::table('conversation_looks')
            ->where('conversation_id', $conversation->id)
            ->where('teammate_id', $teammate->id)
            ->value('entry_id');
    }

    /**
     * Notes that they look now.
     *
     * @param  int  $seen  the newest entry that they are shown
     * @return array{entry: int, at: CarbonImmutable}|null what it was before; null at the first look
     */
    public function note(Conversation $conversation, Teammate $teammate, int $seen): ?array
    {
        $before = DB::table('conversation_looks')
            ->where('conversation_id', $conversation->id)
            ->where('teammate_id', $teammate->id)
            ->first();
        if ($before === null || (int) $before->entry_id < $seen) {
            // Nobody waits for it: the page is shown first.
            defer(static fn () => DB::table('conversation_looks')->upsert(
                [['conversation_id' => $conversation->id, 'teammate_id' => $teammate->id, 'entry_id' => $seen, 'at' => now()]],
                ['conversation_id', 'teammate_id'], ['entry_id', 'at']
            ), 'looks');
        }

        return $before === null ? null : ['entry' => (int) $before->entry_id, 'at' => CarbonImmutable::parse((string) $before->at, 'UTC')];
    }
}
