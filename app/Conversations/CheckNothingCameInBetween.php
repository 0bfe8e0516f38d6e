<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\Payloads;
use App\Team\Teammate;

/**
 * Keeps two people from overwriting each other: refuses when others wrote, noted or changed the
 * state since this person last looked.
 */
final readonly class CheckNothingCameInBetween
{
    public function __construct(private Payloads $payloads) {}

    /**
     * @param  int  $seen  the last journal entry that this person has been shown
     *
     * @throws CameInBetween
     */
    public function since(Conversation $conversation, int $seen, Teammate $teammate): void
    {
        $entries = JournalEntry::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->where('id', '>', $seen)
            ->where(fn ($query) => $query->whereNull('teammate_id')->orWhere('teammate_id', '!=', $teammate->id))
            ->whereIn('kind', $this->payloads->mattering())
            ->with(['message.attachments', 'message.outboxItem', 'message.teammate', 'note.teammate', 'teammate'])
            ->orderBy('id')
            ->get();
        if ($entries->isNotEmpty()) {
            throw new CameInBetween($entries);
        }
    }
}
