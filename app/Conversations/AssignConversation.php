<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\OwnerChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Gives a conversation to a person, or back to nobody.
 */
final readonly class AssignConversation
{
    public function __construct(private Journal $journal) {}

    public function assign(Conversation $conversation, ?Teammate $owner, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $owner, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->with('owner')->findOrFail($conversation->id);
            if ($locked->owner_id === $owner?->id) {
                return;
            }
            $from = Named::orNone($locked->owner_id, $locked->owner?->name);
            $locked->forceFill(['owner_id' => $owner?->id])->save();
            $this->journal->record($locked, new OwnerChanged($from, Named::orNone($owner?->id, $owner?->name)), $actor, $why);
        });
    }
}
