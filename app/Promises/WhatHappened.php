<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\JournalKind;
use App\Sorting\KnownOutcome;
use App\Sorting\Outcome;
use Cairnfield\Core\Promises\Event;
use Cairnfield\Core\Promises\EventKind;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What happened in a conversation, as promises look at it: read from the journal's payloads. What was called back or undone has not
 * happened; what was joined into another is answered there.
 */
final readonly class WhatHappened
{
    private const KINDS = [
        JournalKind::MessageReceived, JournalKind::Replied, JournalKind::StateChanged, JournalKind::PriorityChanged,
        JournalKind::DeliveryFailed, JournalKind::Junked, JournalKind::NotJunk, JournalKind::BulkUndone, JournalKind::PromiseSetApplied,
    ];

    /** Between the entry of a state and the row of the joining that made it. */
    private const SAME_SECONDS = 2;

    /**
     * @param  DateTimeImmutable  $createdAt  when the customer wrote first
     * @param  list<Event>  $events  after that, in the order of time
     * @param  list<array{Event, DateTimeImmutable|null}>  $withDeadlines  with the first message, and until when an answer is wanted
     * @param  list<array{DateTimeImmutable, int|null}>  $sets  which promise set applied from when on
     */
    private function __construct(
        public DateTimeImmutable $createdAt, public Priority $priority, public array $events, public array $withDeadlines,
        public array $sets
    ) {}

    /**
     * @return self|null null where no customer has written
     */
    public static function in(Conversation $conversation): ?self
    {
        $entries = [...self::entries($conversation->id), ...self::answeredElsewhere($conversation->id)];
        usort($entries, static fn (stdClass $one, stdClass $other): int => [$one->at, $one->id] <=> [$other->at, $other->id]);

        return self::read($entries, $conversation->priority);
    }

    /**
     * When the last of it happened.
     */
    public function lastAt(): DateTimeImmutable
    {
        return $this->events === [] ? $this->createdAt : $this->events[array_key_last($this->events)]->at;
    }

    /**
     * @param  list<stdClass>  $entries
     */
    private static function read(array $entries, Priority $priorityNow): ?self
    {
        $createdAt = $priority = null;
        $before = $priorityNow;
        $hasChangedPriority = $isJunk = false;
        $events = $withDeadlines = $sets = [];
        foreach ($entries as $entry) {
            $at = new DateTimeImmutable($entry->at, new DateTimeZone('UTC'));
            $kind = JournalKind::from($entry->kind);
            $details = (array) json_decode($entry->details, true);
            if ($kind === JournalKind::PromiseSetApplied) {
                $sets[] = [$at, isset($details['set']['id']) ? (int) $details['set']['id'] : null];
            }
            if ($kind === JournalKind::PriorityChanged && ! $hasChangedPriority) {
                $hasChangedPriority = true;
                $priority ??= Priority::from($details['from']);
            }
            $isJunk = match ($kind) {
                JournalKind::Junked => true,
                JournalKind::NotJunk => false,
                default => $isJunk,
            };
            foreach (self::eventsOf($kind, $entry, $details, $isJunk, $at) as $event) {
                $until = isset($details['answerBy']) && $kind === JournalKind::MessageReceived
                    ? new DateTimeImmutable($details['answerBy'])
                    : null;
                if ($createdAt !== null) {
                    $events[] = $event;
                    $withDeadlines[] = [$event, $until];
                } elseif ($event->kind === EventKind::CustomerMessage) {
                    $createdAt = $event->at;
                    $withDeadlines[] = [$event, $until];
                    $priority = $hasChangedPriority ? $before : $priority;
                } elseif ($event->kind === EventKind::Priority) {
                    $before = $event->priority ?? $before;
                }
            }
        }

        return $createdAt === null ? null : new self($createdAt, $priority ?? $priorityNow, $events, $withDeadlines, $sets);
    }

    /**
     * @param  array<string, mixed>  $details
     * @return list<Event>
     */
    private static function eventsOf(JournalKind $kind, stdClass $entry, array $details, bool $isJunk, DateTimeImmutable $at): array
    {
        return match ($kind) {
            JournalKind::MessageReceived => $isJunk || ($details['isNoWord'] ?? false) ? [] : [Event::customerMessage($at)],
            JournalKind::Replied => [$entry->automatic ? Event::autoReply($at) : Event::teammateReply($at)],
            JournalKind::StateChanged => [Event::status($at, Status::from($details['to']))],
            JournalKind::PriorityChanged => [Event::priority($at, Priority::from($details['to']))],
            // They have no answer yet.
            JournalKind::DeliveryFailed => $isJunk ? [] : [Event::customerMessage($at)],
            JournalKind::Junked => [Event::status($at, Status::Resolved)],
            // Counted from then on.
            JournalKind::NotJunk => [Event::customerMessage($at)],
            default => [],
        };
    }

    /**
     * Of the conversation itself, without what was taken back and what was split off.
     *
     * @return list<stdClass>
     */
    private static function entries(int $conversation): array
    {
        $entries = DB::table('journal')
            ->leftJoin('messages', 'messages.id', '=', 'journal.message_id')
            ->where('journal.conversation_id', $conversation)
            ->whereIn('journal.kind', self::KINDS)
            ->orderBy('journal.id')
            ->get([
                'journal.id', 'journal.kind', 'journal.details', 'journal.cause', 'journal.at', 'journal.message_id',
                'messages.conversation_id as said_in', 'messages.automatic', 'messages.called_back_at',
            ])->all();
        $gone = [...self::calledBack($entries), ...self::undone($entries), ...self::byJoining($conversation, $entries)];

        // What was split off is said there.
        $isHere = static fn (stdClass $entry): bool => $entry->message_id === null || (int) $entry->said_in === $conversation
            || $entry->kind === JournalKind::DeliveryFailed->value;

        return array_values(array_filter(
            $entries, static fn (stdClass $entry): bool => ! isset($gone["e{$entry->id}"]) && $isHere($entry)
        ));
    }

    /**
     * An answer that was called back, with the state that it brought about.
     *
     * @param  array<stdClass>  $entries
     * @return array<string, true>
     */
    private static function calledBack(array $entries): array
    {
        $replies = array_filter(
            $entries, static fn (stdClass $one): bool => $one->called_back_at !== null && $one->kind === JournalKind::Replied->value
        );
        if ($replies === []) {
            return [];
        }
        $until = DB::table('outbox')->whereIn('message_id', array_column($replies, 'message_id'))->get(['message_id', 'before'])
            ->mapWithKeys(static fn (stdClass $item): array => [
                $item->message_id => (int) (json_decode((string) $item->before, true)['until'] ?? 0),
            ]);
        $gone = [];
        foreach ($replies as $reply) {
            foreach ($entries as $entry) {
                if ($entry->id >= $reply->id && $entry->id <= max($reply->id, $until[$reply->message_id] ?? 0)) {
                    $gone["e{$entry->id}"] = true;
                }
            }
        }

        return $gone;
    }

    /**
     * What a change of many did, where it was undone.
     *
     * @param  array<stdClass>  $entries
     * @return array<string, true>
     */
    private static function undone(array $entries): array
    {
        $bulks = [];
        foreach ($entries as $entry) {
            if ($entry->kind === JournalKind::BulkUndone->value) {
                $bulks[] = json_decode($entry->details, true)['change']['id'] ?? null;
            }
        }
        $gone = [];
        foreach ($bulks === [] ? [] : $entries as $entry) {
            for ($cause = json_decode((string) $entry->cause, true); is_array($cause); $cause = $cause['within'] ?? null) {
                if (($cause['kind'] ?? '') === CauseKind::Bulk->value && in_array($cause['id'] ?? null, $bulks, true)) {
                    $gone["e{$entry->id}"] = true;
                }
            }
        }

        return $gone;
    }

    /**
     * What was joined into another was put away for that, not settled.
     *
     * @param  array<stdClass>  $entries
     * @return array<string, true>
     */
    private static function byJoining(int $conversation, array $entries): array
    {
        $joins = DB::table('conversation_joins')->where('joined_id', $conversation)->get(['at_entry', 'created_at']);
        if ($joins->isEmpty()) {
            return [];
        }
        $duplicate = Outcome::known(KnownOutcome::Duplicate)->id;
        $gone = [];
        foreach ($joins as $join) {
            foreach (array_reverse($entries) as $entry) {
                $isMade = $entry->kind === JournalKind::StateChanged->value && $entry->id < $join->at_entry
                    && (json_decode($entry->details, true)['outcome']['id'] ?? null) === $duplicate
                    && abs(strtotime($entry->at) - strtotime($join->created_at)) <= self::SAME_SECONDS;
                if ($isMade) {
                    $gone["e{$entry->id}"] = true;
                    break;
                }
            }
        }

        return $gone;
    }

    /**
     * While it is joined into another, that one's answers and states are its own.
     *
     * @return list<stdClass>
     */
    private static function answeredElsewhere(int $conversation): array
    {
        $join = DB::table('conversation_joins')->where('joined_id', $conversation)->whereNull('separated_at')->orderByDesc('id')
            ->first(['kept_id', 'at_entry']);
        if ($join === null) {
            return [];
        }
        $kinds = [JournalKind::Replied->value, JournalKind::StateChanged->value];
        $own = array_filter(
            self::entries((int) $join->kept_id),
            static fn (stdClass $entry): bool => $entry->id > $join->at_entry && in_array($entry->kind, $kinds, true)
        );

        return [...array_values($own), ...self::answeredElsewhere((int) $join->kept_id)];
    }
}
