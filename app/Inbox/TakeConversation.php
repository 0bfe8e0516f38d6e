<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Makes a person the owner of a conversation that nobody has yet.
 */
final readonly class TakeConversation
{
    public function __construct(private AssignConversation $assign) {}

    /**
     * @throws InboxRefused when somebody else has it
     */
    public function take(Conversation $conversation, Teammate $teammate): void
    {
        DB::transaction(function () use ($conversation, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->with('owner')->findOrFail($conversation->id);
            if ($locked->owner !== null && $locked->owner_id !== $teammate->id) {
                throw InboxRefused::ownedBy($locked->owner->name);
            }
            $this->assign->assign($locked, $teammate, Actor::teammate($teammate));
        });
    }

    /**
     * Takes the most urgent open conversation that nobody has, if there is one. Two people who ask at
     * the same moment get two different ones.
     */
    public function takeNext(Teammate $teammate): ?Conversation
    {
        return DB::transaction(function () use ($teammate): ?Conversation {
            $next = Conversation::query()
                ->where('state', ConversationState::Open)
                ->whereNull('owner_id')
                ->orderBy('next_up')->orderBy('id')
                ->lock('FOR UPDATE SKIP LOCKED')
                ->first();
            if ($next !== null) {
                $this->assign->assign($next, $teammate, Actor::teammate($teammate), 'next in the queue');
            }

            return $next;
        });
    }
}
