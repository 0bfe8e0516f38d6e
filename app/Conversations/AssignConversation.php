<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\OwnerChanged;
use App\Conversations\Happened\TurnAwaited;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Sorting\WhoMayRead;
use App\Team\TakeTurns;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Gives a conversation to a person, or back to nobody.
 */
final readonly class AssignConversation
{
    public function __construct(private Journal $journal, private WhoMayRead $whoMayRead) {}

    /**
     * To whoever's turn it is in its team; where nobody can take it just now, it waits for that. Somebody who has it keeps it until
     * then, unless they are away.
     */
    public function byTurn(Conversation $conversation, TakeTurns $turns, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $turns, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->with(['owner', 'team'])->findOrFail($conversation->id);
            $next = $turns->next($locked);
            if ($next !== null) {
                $this->assign($locked, $next, $actor, $why);
            } elseif ($locked->team !== null && ($locked->owner === null || $locked->owner->isAway())) {
                $this->assign($locked, null, $actor, $why);
                $locked->refresh();
                if ($locked->turn_awaited_since === null) {
                    $locked->forceFill(['turn_awaited_since' => now()])->save();
                    $this->journal->record(
                        $locked, new TurnAwaited(new Named($locked->team->id, $locked->team->name)), $actor,
                        'all of them are away, have as many as they take, or lack a skill that it needs'
                    );
                }
            }
        });
    }

    /**
     * @throws ConversationRefused where it is for the members of its category alone, and they are none of them
     */
    public function assign(Conversation $conversation, ?Teammate $owner, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $owner, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->with('owner')->findOrFail($conversation->id);
            if ($locked->owner_id === $owner?->id) {
                return;
            }
            if ($owner !== null && ! $this->whoMayRead->mayReadConversation($owner->id, $locked)) {
                throw ConversationRefused::forMembersAlone($owner->name, $locked);
            }
            $from = Named::orNone($locked->owner_id, $locked->owner?->name);
            $locked->forceFill(['owner_id' => $owner?->id, 'turn_awaited_since' => null])->save();
            $this->journal->record($locked, new OwnerChanged($from, Named::orNone($owner?->id, $owner?->name)), $actor, $why);
        });
    }

    /**
     * Back to nobody, where whoever has it does not read it any more: its members see it among what nobody has.
     */
    public function release(Conversation $conversation, Actor $actor): void
    {
        $owner = $conversation->owner_id;
        if ($owner !== null && ! $this->whoMayRead->mayReadConversation($owner, $conversation)) {
            $this->assign($conversation, null, $actor, 'it is for the members of its category alone');
            $conversation->refresh();
        }
    }
}
