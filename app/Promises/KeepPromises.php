<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\BeforeCommit;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\PlaceInQueue;
use App\Customers\SortIntoGroups;
use App\Promises\Happened\PromiseSetApplied;
use Cairnfield\Core\Promises\EventKind;
use Cairnfield\Core\Promises\InstanceState;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use stdClass;
use Throwable;

/**
 * Keeps with each conversation what is promised in it, as instants: reckoned anew whenever something has happened that promises
 * look at, once before the end of its transaction. Nothing is reckoned on reading.
 */
final class KeepPromises implements BeforeCommit
{
    /** After these a promise can start, end or be another. */
    private const LOOKS_AT = [
        JournalKind::MessageReceived, JournalKind::Replied, JournalKind::StateChanged, JournalKind::PriorityChanged,
        JournalKind::CategoryChanged, JournalKind::TeamChanged, JournalKind::TagsChanged, JournalKind::LanguageChanged,
        JournalKind::FieldChanged, JournalKind::CalledBack, JournalKind::BulkUndone, JournalKind::DeliveryFailed,
        JournalKind::OrderAttached, JournalKind::OrderDetached, JournalKind::OrderChanged, JournalKind::Junked, JournalKind::NotJunk,
        JournalKind::Joined, JournalKind::SplitOff, JournalKind::Separated, JournalKind::CustomerMerged, JournalKind::CustomerSeparated,
        JournalKind::TimeAgreed,
    ];

    /** How many transactions there are around everything: none, but for tests. */
    public static int $around = 0;

    /** @var array<int, true> conversations to be looked at before the transaction ends */
    private array $touched = [];

    /** What is touched meanwhile comes after. */
    private bool $isAtWork = false;

    public function __construct(private readonly Container $app) {}

    public function wrote(int $conversation, JournalKind $kind): void
    {
        if (in_array($kind, self::LOOKS_AT, true)) {
            $this->touch($conversation);
        }
    }

    /**
     * Something of it has changed that decides what is promised.
     */
    public function touch(int $conversation): void
    {
        $this->touched[$conversation] = true;
        ! $this->isAtWork && DB::transactionLevel() <= self::$around && $this->flush();
    }

    /**
     * Something is known of customers that can decide what is promised to them.
     *
     * @param  list<int>  $customers
     */
    public function customersChanged(array $customers): void
    {
        foreach (array_chunk($customers, 500) as $ids) {
            $running = DB::table('conversations')->whereIn('customer_id', $ids)->whereIn('state', Recount::RUNS_IN)->pluck('id');
            foreach ($running as $id) {
                $this->touch((int) $id);
            }
        }
    }

    /**
     * What was touched was rolled back.
     */
    public function forget(): void
    {
        $this->touched = [];
    }

    /**
     * In the transaction that is about to end.
     */
    public function flush(): void
    {
        $this->isAtWork = true;
        while ($this->touched !== []) {
            $conversation = (int) array_key_first($this->touched);
            unset($this->touched[$conversation]);
            try {
                $this->anew($conversation);
            } catch (QueryException $why) {
                $this->forget();
                $this->isAtWork = false;

                throw $why;
            } catch (Throwable $why) {
                // What happened is not lost for that; the nightly check finds what is missing.
                report($why);
            }
        }
        $this->isAtWork = false;
    }

    /**
     * All that is promised in a conversation, and in what was joined into it.
     *
     * @param  bool  $isTold  whether what has been missed by now is to be told
     */
    public function anew(int $id, bool $isTold = true): void
    {
        $conversation = Conversation::query()->find($id);
        if ($conversation?->joined_into_id !== null) {
            $conversation = Conversation::query()->find($conversation->joined_into_id);
        }
        if ($conversation === null) {
            return;
        }
        $now = CarbonImmutable::now()->utc()->startOfSecond();
        $running = $this->keep($conversation, $now, $isTold);
        foreach (Conversation::query()->where('joined_into_id', $conversation->id)->orderBy('id')->get() as $joined) {
            $running = [...$running, ...$this->keep($joined, $now, $isTold)];
        }
        $this->place($conversation, $running);
    }

    /**
     * As they would be kept now, without keeping them.
     *
     * @return array<string, MeasuredPromise>
     */
    public function reckoned(Conversation $conversation, DateTimeImmutable $now): array
    {
        return $this->app->make(ReckonPromises::class)->of(WhatHappened::in($conversation), $now);
    }

    /**
     * @return list<MeasuredPromise> those that fall due
     */
    private function keep(Conversation $conversation, DateTimeImmutable $now, bool $isTold): array
    {
        $this->chooseSet($conversation);
        $measured = $this->reckoned($conversation, $now);
        $stored = [];
        foreach (DB::table('promises')->where('conversation_id', $conversation->id)->get() as $row) {
            $stored["{$row->kind}|{$row->started_at}|{$row->number}"] = $row;
        }
        foreach ($measured as $key => $promise) {
            $this->store($conversation, $key, $promise, $stored[$key] ?? null, $now, $isTold);
        }
        $gone = array_map(static fn (stdClass $row): int => $row->id, array_values(array_diff_key($stored, $measured)));
        $gone === [] ?: DB::table('promises')->whereIn('id', $gone)->delete();

        return array_values(array_filter($measured, static fn (MeasuredPromise $one): bool => $one->dueAt !== null));
    }

    /**
     * Which set applies is written down where it becomes another.
     */
    private function chooseSet(Conversation $conversation): void
    {
        if ($conversation->state === ConversationState::Closed || $conversation->joined_into_id !== null || $conversation->junk) {
            return;
        }
        $sets = $this->app->make(PromiseSets::class);
        if ($conversation->promise_set_id === null && $sets->ask('customer_group')) {
            // Who writes for the first time is in no group yet.
            $this->app->make(SortIntoGroups::class)->sort($conversation->customer);
            $conversation->customer->unsetRelation('groups');
        }
        $fitting = $sets->fitting($conversation);
        if ($fitting?->id === $conversation->promise_set_id) {
            return;
        }
        DB::table('conversations')->where('id', $conversation->id)->update(['promise_set_id' => $fitting?->id]);
        $conversation->setAttribute('promise_set_id', $fitting?->id)->syncOriginalAttribute('promise_set_id');
        $this->app->make(Journal::class)->record(
            $conversation, new PromiseSetApplied(Named::orNone($fitting?->id, $fitting?->name)), Actor::application()
        );
    }

    private function store(
        Conversation $conversation, string $key, MeasuredPromise $promise, ?stdClass $stored, DateTimeImmutable $now, bool $isTold
    ): void {
        $row = $promise->row();
        $warnedAt = $stored?->warned_at;
        $missedAt = $stored?->missed_at;
        $at = $now->format('Y-m-d H:i:s');
        if ($promise->state === InstanceState::Running) {
            // What moved away from now is told again when its time comes.
            $warnedAt = $row['warn_at'] > $at ? null : $warnedAt;
            $missedAt = $row['due_at'] > $at ? null : $missedAt;
            if (! $isTold) {
                $warnedAt = $row['warn_at'] <= $at ? $warnedAt ?? $at : $warnedAt;
                $missedAt = $row['due_at'] !== null && $row['due_at'] <= $at ? $missedAt ?? $at : $missedAt;
            }
        }
        $isNewlyOver = $promise->endedAt !== null && ($stored === null || $stored->ended_at === null);
        $values = [
            ...$row,
            'warned_at' => $warnedAt, 'missed_at' => $missedAt,
            'warn_next' => $warnedAt === null && $missedAt === null && $row['warn_at'] < $row['due_at'] ? $row['warn_at'] : null,
            'miss_next' => $missedAt === null ? $row['due_at'] : null,
            'owner_id' => match (true) {
                $isNewlyOver => $conversation->owner_id,
                $promise->endedAt === null => null,
                default => $stored?->owner_id,
            },
            'team_id' => match (true) {
                $isNewlyOver => $conversation->team_id,
                $promise->endedAt === null => null,
                default => $stored?->team_id,
            },
        ];
        [$kind, $startedAt, $number] = explode('|', $key);
        if ($stored === null) {
            DB::table('promises')->insert([
                'conversation_id' => $conversation->id, 'kind' => $kind, 'started_at' => $startedAt, 'number' => (int) $number, ...$values,
            ]);
        } elseif (array_intersect_key((array) $stored, $values) != $values) {
            DB::table('promises')->where('id', $stored->id)->update($values);
        }
    }

    /**
     * The time that was agreed by hand, until it was answered or done: unless that was taken back.
     */
    private function agreed(Conversation $conversation): ?AgreedTime
    {
        $agreed = AgreedTime::query()->where('conversation_id', $conversation->id)->orderByDesc('id')->first();
        if ($agreed === null || in_array($agreed->ended_by, AgreedTime::BY_HAND, true)) {
            return null;
        }
        $end = null;
        foreach (WhatHappened::in($conversation)->events ?? [] as $event) {
            $isEnd = $event->kind === EventKind::TeammateReply || ($event->status?->isDone() ?? false);
            $end ??= $isEnd && $event->at >= $agreed->agreed_at ? $event : null;
        }
        $agreed->forceFill([
            'ended_at' => $end?->at,
            'ended_by' => match (true) {
                $end === null => null,
                $end->kind === EventKind::TeammateReply => AgreedTime::ANSWERED,
                default => AgreedTime::DONE,
            },
        ]);
        if ($agreed->isDirty()) {
            $agreed->forceFill($end === null ? $agreed->tellings() : ['warn_next' => null, 'miss_next' => null])->save();
        }

        return $end === null ? $agreed : null;
    }

    /**
     * What falls due first decides where it stands; what was agreed by hand comes before what the team promises, but not before what
     * a marketplace wants.
     *
     * @param  list<MeasuredPromise>  $running
     */
    private function place(Conversation $conversation, array $running): void
    {
        $agreed = $this->agreed($conversation);
        $falling = array_map(static fn (MeasuredPromise $one): array => [$one->kind, $one->dueAt, $one->stonesFallAt], array_filter(
            $running, static fn (MeasuredPromise $one): bool => $agreed === null || $one->kind === PromisedKind::Marketplace
        ));
        if ($agreed !== null) {
            $falling[] = [PromisedKind::Agreed, $agreed->at, MeasuredPromise::quarters($agreed->agreed_at, $agreed->at)];
        }
        usort($falling, static fn (array $one, array $other): int => $one[1] <=> $other[1]);
        [$kind, $dueAt, $stones] = $falling[0] ?? [null, null, []];
        $values = [
            'due_at' => $dueAt?->format('Y-m-d H:i:s'), 'due_kind' => $kind?->value,
            'stones_fall_at' => $kind === null ? null : json_encode(array_map(
                static fn (?DateTimeImmutable $at): ?int => $at?->getTimestamp(), $stones
            ), JSON_THROW_ON_ERROR),
        ];
        $conversation->forceFill(['due_at' => $dueAt, 'due_kind' => $kind]);
        $place = $this->app->make(PlaceInQueue::class)->of([
            ...array_intersect_key($conversation->getAttributes(), ['customer_place' => 0, 'subject' => 0]),
            'state' => $conversation->state, 'priority' => $conversation->priority, 'due_at' => $conversation->due_at,
            'waiting_since' => $conversation->waiting_since, 'bring_back_at' => $conversation->bring_back_at,
            'last_message_at' => $conversation->last_message_at,
        ]);
        DB::table('conversations')->where('id', $conversation->id)->update([
            ...$values, 'due_group' => $place['due_group'], 'next_up' => $place['next_up'],
        ]);
    }
}
