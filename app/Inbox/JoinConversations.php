<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Orders\AttachOrders;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Joins a conversation into another, so that both are read and answered as one, and separates them
 * again. Nothing is moved: the trail shows what belongs to either.
 */
final readonly class JoinConversations
{
    public function __construct(private Journal $journal, private AttachOrders $attachOrders) {}

    /**
     * @throws InboxRefused when one is closed or joined already
     */
    public function join(Conversation $into, Conversation $other, Teammate $teammate): void
    {
        DB::transaction(function () use ($into, $other, $teammate): void {
            [$kept, $joined] = $this->lock($into, $other);
            if ($kept->id === $joined->id || $kept->joined_into_id !== null || $joined->joined_into_id !== null) {
                throw InboxRefused::joinedAlready();
            }
            if ($kept->state === ConversationState::Closed || $joined->state === ConversationState::Closed) {
                throw InboxRefused::closed(($kept->state === ConversationState::Closed ? $kept : $joined)->number());
            }
            $actor = Actor::teammate($teammate);
            $this->carryOver($kept, $joined);
            // What was joined into the other one comes along.
            Conversation::query()->where('joined_into_id', $joined->id)->update(['joined_into_id' => $kept->id]);
            $joined->forceFill([
                'joined_into_id' => $kept->id,
                'state' => ConversationState::Resolved,
                'outcome_id' => Outcome::query()->where('name', 'Duplicate')->value('id'),
                'waiting_since' => null, 'due_at' => null, 'answer_by' => null, 'held_reason' => null, 'bring_back_at' => null,
            ])->save();
            foreach ($joined->orders()->get() as $order) {
                $this->attachOrders->one($kept, $order, 'hand', $actor);
            }
            $this->journal->record($kept, JournalKind::Joined, $actor, ['other' => $joined->number()]);
        });
    }

    /**
     * @throws InboxRefused when it is not joined
     */
    public function separate(Conversation $joined, Teammate $teammate): void
    {
        DB::transaction(function () use ($joined, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($joined->id);
            $kept = $locked->joinedInto()->first() ?? throw InboxRefused::notJoined();
            $locked->forceFill(['joined_into_id' => null, 'state' => ConversationState::Open, 'outcome_id' => null])->save();
            foreach ([[$kept, $locked], [$locked, $kept]] as [$one, $other]) {
                $this->journal->record($one, JournalKind::Separated, Actor::teammate($teammate), ['other' => $other->number()]);
            }
        });
    }

    /**
     * Whoever waited longest, waits still; if it was our turn in either, it is now.
     */
    private function carryOver(Conversation $kept, Conversation $joined): void
    {
        $earlier = static fn ($one, $other) => $one === null || $other === null ? $one ?? $other : $one->min($other);
        $isOpen = $joined->state === ConversationState::Open && $joined->waiting_since !== null;
        $kept->forceFill([
            'state' => $isOpen ? ConversationState::Open : $kept->state,
            'outcome_id' => $isOpen ? null : $kept->outcome_id,
            'held_reason' => $isOpen ? null : $kept->held_reason,
            'bring_back_at' => $isOpen ? null : $kept->bring_back_at,
            'waiting_since' => $earlier($kept->waiting_since, $joined->waiting_since),
            'due_at' => $earlier($kept->due_at, $joined->due_at),
            'answer_by' => $earlier($kept->answer_by, $joined->answer_by),
            'last_message_at' => $kept->last_message_at->max($joined->last_message_at),
            'public' => $kept->public || $joined->public,
            'owner_id' => $kept->owner_id ?? $joined->owner_id,
        ])->save();
    }

    /**
     * Both in the order of their numbers, so that two people who join them at once do not wait for each other.
     *
     * @return array{Conversation, Conversation}
     */
    private function lock(Conversation $into, Conversation $other): array
    {
        $locked = Conversation::query()->whereKey([$into->id, $other->id])->orderBy('id')->lockForUpdate()->get()->keyBy('id');

        return [$locked[$into->id], $locked[$other->id]];
    }
}
