<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Team\Teammate;
use App\Team\WhatOneCanTake;
use Cairnfield\Core\Queue\DueGroup;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Makes a person the owner of a conversation that nobody has yet.
 */
final readonly class TakeConversation
{
    /** More than a team has people. */
    private const AT_ONCE = 50;

    public function __construct(private AssignConversation $assign, private WhatOneCanTake $abilities) {}

    /**
     * @throws ConversationRefused when somebody else has it
     */
    public function take(Conversation $conversation, Teammate $teammate): void
    {
        DB::transaction(function () use ($conversation, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->with('owner')->findOrFail($conversation->id);
            $this->refuseUnlessFree($locked, $teammate);
            if ($locked->owner !== null && $locked->owner_id !== $teammate->id) {
                throw ConversationRefused::ownedBy($locked->owner->name);
            }
            $this->assign->assign($locked, $teammate, Actor::teammate($teammate));
        });
    }

    /**
     * @throws ConversationRefused where its team takes what is next, and nothing else
     */
    public function refuseUnlessFree(Conversation $conversation, Teammate $teammate): void
    {
        if ($this->abilities->mustTakeNext($conversation, $teammate)) {
            throw ConversationRefused::nextOnly((string) $conversation->team?->name);
        }
    }

    /**
     * What to go on with: what is due today or earlier, then what falls due later; of either, the person's own before
     * what nobody has, which is taken. Two people who ask at the same moment get two different ones.
     *
     * @param  Conversation|null  $after  the one being looked at: passed over, and what of their own comes before it, too
     */
    public function takeNext(Teammate $teammate, ?Conversation $after = null): ?Conversation
    {
        $not = $after->id ?? 0;

        return DB::transaction(fn (): ?Conversation => $this->own($teammate, true, $not, $after)
            ?? $this->takeNobodys($teammate, true, $not)
            ?? $this->own($teammate, false, $not, $after)
            ?? $this->takeNobodys($teammate, false, $not)
            // Begun in the middle: what was passed over comes last.
            ?? $this->own($teammate, false, $not));
    }

    private function own(Teammate $teammate, bool $onlyDue, int $not, ?Conversation $after = null): ?Conversation
    {
        $own = self::open($teammate, $onlyDue, $not)->where('owner_id', $teammate->id);
        if ($after?->state === ConversationState::Open) {
            $own->where(static fn (Builder $later): Builder => $later
                ->where('next_up', '>', $after->next_up)
                ->orWhere(static fn (Builder $same): Builder => $same->where('next_up', $after->next_up)->where('id', '>', $after->id)));
        }

        return $own->first();
    }

    /**
     * The first is looked up without locking, and only that one is locked: a search that locks holds all that it passes
     * over, and whoever asks in the same moment would be told that there is nothing.
     */
    private function takeNobodys(Teammate $teammate, bool $onlyDue, int $not): ?Conversation
    {
        $open = self::open($teammate, $onlyDue, $not)->whereNull('owner_id');
        $this->abilities->narrow($open, $teammate);
        foreach ($open->limit(self::AT_ONCE)->pluck('id') as $id) {
            $next = Conversation::query()
                ->whereKey($id)
                ->whereNull('owner_id')
                ->where('state', ConversationState::Open)
                ->lock('FOR UPDATE SKIP LOCKED')
                ->first();
            if ($next !== null) {
                $this->assign->assign($next, $teammate, Actor::teammate($teammate), 'next in the queue');

                return $next;
            }
        }

        return null;
    }

    /**
     * @return Builder<Conversation>
     */
    private static function open(Teammate $teammate, bool $onlyDue, int $not): Builder
    {
        $open = Conversation::readable($teammate)->where('state', ConversationState::Open)->whereKeyNot($not)
            ->orderBy('next_up')->orderBy('id');

        return $onlyDue ? $open->where('due_group', '<=', DueGroup::Today->value) : $open;
    }
}
