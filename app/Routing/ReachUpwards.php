<?php

declare(strict_types=1);

namespace App\Routing;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Happened\ReachedUpwards;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Hands a conversation to the lead on duty, with the reason; counted as what it is.
 */
final readonly class ReachUpwards
{
    public function __construct(private AssignConversation $assign, private Journal $journal, private WhoMayRead $whoMayRead) {}

    /**
     * @throws ConversationRefused|RoutingRefused
     */
    public function reach(Conversation $conversation, string $reason, Actor $actor): Teammate
    {
        $reason = mb_substr(trim($reason), 0, 300);
        $lead = $this->lead($conversation, $actor);
        match (true) {
            $reason === '' => throw RoutingRefused::withoutReason(),
            $lead === null => throw RoutingRefused::noLead(),
            default => null,
        };
        DB::transaction(function () use ($conversation, $reason, $actor, $lead): void {
            $locked = Conversation::query()->lockForUpdate()->with('owner')->findOrFail($conversation->id);
            if ($locked->state->isDone()) {
                throw RoutingRefused::isDone($locked->number());
            }
            $liesWithLead = $locked->owner?->role->arranges() && $locked->owner_id !== $actor->teammate?->id;
            if ($locked->reached_up_at !== null && $liesWithLead) {
                // Pressed twice, or by two: it is so already.
                return;
            }
            $locked->forceFill(['reached_up_at' => now()])->save();
            $this->journal->record($locked, new ReachedUpwards(new Named($lead->id, $lead->name)), $actor, $reason);
            $this->assign->assign($locked, $lead, $actor, 'reached upwards');
        });

        return $lead;
    }

    /**
     * Whoever is a lead themselves reaches another one, where there is another.
     */
    private function lead(Conversation $conversation, Actor $actor): ?Teammate
    {
        $others = Teammate::leads()->filter(fn (Teammate $lead): bool => $lead->id !== $actor->teammate?->id
            && $this->whoMayRead->mayReadConversation($lead->id, $conversation));

        return $others->first(static fn (Teammate $lead): bool => ! $lead->isAway()) ?? $others->first();
    }
}
