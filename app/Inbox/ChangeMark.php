<?php

declare(strict_types=1);

namespace App\Inbox;

use Illuminate\Support\Facades\DB;

/**
 * A short mark that is different whenever something has changed, for pages that ask every few
 * seconds. Every change writes a journal entry, so the newest entries tell.
 *
 * Entries get their number before their transaction ends, so a lower one can appear after a higher
 * one. The mark is therefore made of the newest numbers there are, not of the highest alone.
 */
final class ChangeMark
{
    private const NEWEST = 50;

    public function ofAll(): string
    {
        return $this->of(DB::table('journal'));
    }

    public function ofConversation(Conversation $conversation): string
    {
        return $this->of(DB::table('journal')->whereIn('conversation_id', $conversation->withJoined()));
    }

    private function of(\Illuminate\Database\Query\Builder $entries): string
    {
        $newest = $entries->orderByDesc('id')->limit(self::NEWEST)->pluck('id');

        return $newest->first(default: 0).'-'.hash('crc32b', $newest->implode(','));
    }
}
