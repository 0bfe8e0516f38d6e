<?php

declare(strict_types=1);

namespace App\Joining;

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Snapshots\Snapshot;
use App\Joining\Happened\Joined;
use App\Joining\Happened\Separated;
use App\Orders\AttachOrders;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Joins conversations into one, so that they are read and answered as one, and separates them again.
 * While they are joined nothing is moved: the trail shows what belongs to any of them, in the order of time.
 */
final readonly class JoinConversations
{
    public function __construct(
        private Journal $journal, private AttachOrders $attachOrders, private Snapshot $snapshot, private ChangeState $state,
        private TellApart $tellApart, private WhoWaits $whoWaits, private WhoMayRead $whoMayRead
    ) {}

    /**
     * All of them or none.
     *
     * @param  list<Conversation>  $others
     *
     * @throws ConversationRefused when one is closed or joined already, or there is nothing to join
     */
    public function join(Conversation $into, array $others, Teammate $teammate): void
    {
        if ($others === []) {
            throw ConversationRefused::nothingToJoin();
        }
        DB::transaction(function () use ($into, $others, $teammate): void {
            $locked = $this->lock([$into->id, ...array_map(static fn (Conversation $other): int => $other->id, $others)]);
            foreach ($others as $other) {
                $this->joinOne($locked[$into->id], $locked[$other->id], $teammate);
            }
        });
    }

    /**
     * @throws ConversationRefused when it is not joined
     */
    public function separate(Conversation $joined, Teammate $teammate): void
    {
        DB::transaction(function () use ($joined, $teammate): void {
            $keptId = $joined->joined_into_id ?? throw ConversationRefused::notJoined();
            $locked = $this->lock([$joined->id, $keptId]);
            [$kept, $separated] = [$locked[$keptId], $locked[$joined->id]];
            $actor = Actor::teammate($teammate);
            $join = DB::table('conversation_joins')->where('joined_id', $joined->id)->whereNull('separated_at')->orderByDesc('id')->first();
            $since = $join !== null && $join->kept_id === $kept->id ? (int) $join->at_entry : null;
            [$ofSeparated, $ofKept] = $since === null
                ? [new Collection, new Collection]
                : $this->tellApart->since($kept, $separated, $since);
            $separated->forceFill(['joined_into_id' => null]);
            $this->snapshot->restore($separated, $this->before($join?->joined_before), $actor, 'separated again');
            if ($since !== null) {
                $this->snapshot->restore(
                    $kept, $this->before($join->kept_before), $actor, 'separated again', $this->goneOn($kept, $since, $ofSeparated, $ofKept)
                );
            }
            $this->takeAlong($kept, $separated, $this->before($join?->came_along), $actor);
            $this->giveBack($ofSeparated, $separated, $actor);
            foreach ([$kept, $separated] as $one) {
                // What was said in public in between makes it public, whatever it was before.
                $one->forceFill(['public' => $one->public || $one->messages()->where('public', true)->exists()])->save();
            }
            DB::table('conversation_joins')->where('joined_id', $joined->id)->whereNull('separated_at')->update(['separated_at' => now()]);
            foreach ([[$kept, $separated], [$separated, $kept]] as [$one, $other]) {
                $this->journal->record($one, new Separated(new Named($other->id, $other->number())), Actor::teammate($teammate));
            }
        });
    }

    private function joinOne(Conversation $kept, Conversation $joined, Teammate $teammate): void
    {
        match (true) {
            $kept->id === $joined->id => throw ConversationRefused::joinsItself(),
            $kept->joined_into_id !== null, $joined->joined_into_id !== null => throw ConversationRefused::joinedAlready(),
            $kept->state === ConversationState::Closed => throw ConversationRefused::closed($kept->number()),
            $joined->state === ConversationState::Closed => throw ConversationRefused::closed($joined->number()),
            ! $this->whoMayRead->isTheSame($kept->category_id, $joined->category_id) => throw ConversationRefused::readByOthers(
                $kept->number(), $joined->number()
            ),
            default => null,
        };
        $actor = Actor::teammate($teammate);
        $now = fn (Conversation $conversation): string => json_encode(
            $this->snapshot->take($conversation), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE
        );
        [$keptBefore, $joinedBefore] = [$now($kept), $now($joined)];
        $this->carryOver($kept, $joined, $actor);
        // What was joined into the other one comes along.
        $along = [
            'conversations' => Conversation::query()->where('joined_into_id', $joined->id)->pluck('id')->all(),
            'orders' => $joined->orders()->pluck('orders.id')->diff($kept->orders()->pluck('orders.id'))->values()->all(),
        ];
        Conversation::query()->where('joined_into_id', $joined->id)->update(['joined_into_id' => $kept->id]);
        $joined->forceFill(['joined_into_id' => $kept->id]);
        $this->state->duplicate($joined, $actor);
        foreach ($joined->orders()->get() as $order) {
            $this->attachOrders->one($kept, $order, 'hand', $actor);
        }
        $entry = $this->journal->record($kept, new Joined(new Named($joined->id, $joined->number())), $actor);
        DB::table('conversation_joins')->insert([
            'kept_id' => $kept->id, 'joined_id' => $joined->id, 'kept_before' => $keptBefore, 'joined_before' => $joinedBefore,
            'came_along' => json_encode($along, JSON_THROW_ON_ERROR),
            'at_entry' => $entry->id,
            'created_at' => now(),
            'updated_at' => now(),
        ]);
    }

    /**
     * Whoever waited longest, waits still; if it was our turn in either, it is now.
     */
    private function carryOver(Conversation $kept, Conversation $joined, Actor $actor): void
    {
        $earlier = static fn ($one, $other) => $one === null || $other === null ? $one ?? $other : $one->min($other);
        $kept->forceFill([
            'waiting_since' => $earlier($kept->waiting_since, $joined->waiting_since),
            'last_message_at' => $kept->last_message_at->max($joined->last_message_at),
            'public' => $kept->public || $joined->public,
            'owner_id' => $kept->owner_id ?? $joined->owner_id,
        ]);
        if ($joined->state === ConversationState::Open && $joined->waiting_since !== null) {
            $this->state->set($kept, ConversationState::Open, $actor, [], 'it is our turn in '.$joined->number());
        }
        $kept->save();
    }

    /**
     * What came with the one that was joined goes with it again.
     *
     * @param  array<string, mixed>  $along  ids of conversations and orders
     */
    private function takeAlong(Conversation $kept, Conversation $separated, array $along, Actor $actor): void
    {
        Conversation::query()
            ->whereKey((array) ($along['conversations'] ?? []))
            ->where('joined_into_id', $kept->id)
            ->update(['joined_into_id' => $separated->id]);
        foreach ($kept->orders()->whereKey((array) ($along['orders'] ?? []))->get() as $order) {
            $this->attachOrders->detach($kept, $order, $actor);
        }
    }

    /**
     * What somebody did with the kept one since, and stays as it is now. An answer to the one that is separated made no
     * difference to this one.
     *
     * @param  Collection<int, JournalEntry>  $ofSeparated
     * @param  Collection<int, JournalEntry>  $ofKept
     * @return list<JournalKind>
     */
    private function goneOn(Conversation $kept, int $sinceEntry, Collection $ofSeparated, Collection $ofKept): array
    {
        $kinds = $this->journal->kindsSince($kept, $sinceEntry);
        if ($ofSeparated->isEmpty() || $ofKept->isNotEmpty()) {
            return $kinds;
        }

        return array_values(array_filter($kinds, static fn (JournalKind $kind): bool => ! in_array(
            $kind, [JournalKind::MessageReceived, JournalKind::Replied, JournalKind::StateChanged], true
        )));
    }

    /**
     * What was said in between by the way of the one that is separated goes with it.
     *
     * @param  Collection<int, JournalEntry>  $entries
     */
    private function giveBack(Collection $entries, Conversation $separated, Actor $actor): void
    {
        if ($entries->isEmpty()) {
            return;
        }
        foreach ($entries as $entry) {
            $entry->message?->forceFill(['conversation_id' => $separated->id])->save();
            $this->journal->record(
                $separated, $entry->payload(),
                $entry->teammate === null ? Actor::of($entry->actor) : Actor::teammate($entry->teammate),
                $entry->why, $entry->message, at: $entry->at, cause: $entry->cause()
            );
        }
        $this->whoWaits->in($separated, $actor);
    }

    /**
     * @return array<string, mixed>
     */
    private function before(?string $json): array
    {
        return $json === null ? [] : (array) json_decode($json, true);
    }

    /**
     * In the order of their numbers, so that two people who join them at once do not wait for each other.
     *
     * @param  list<int>  $ids
     * @return Collection<int, Conversation>
     */
    private function lock(array $ids): Collection
    {
        return Conversation::query()->whereKey($ids)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
    }
}
