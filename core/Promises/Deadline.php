<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use DateTimeImmutable;

/**
 * Until when somebody else, such as a marketplace, wants an answer by a person: from a message that says so to the next answer.
 */
final readonly class Deadline
{
    /**
     * @param  bool|null  $kept  null while that is open, and where it was dropped
     */
    private function __construct(
        public DateTimeImmutable $startedAt,
        public DateTimeImmutable $dueAt,
        public ?DateTimeImmutable $endedAt = null,
        public InstanceState $state = InstanceState::Running,
        public ?bool $kept = null,
    ) {}

    /**
     * A message that comes while one runs changes it only where it wants an answer earlier.
     *
     * @param  list<array{Event, DateTimeImmutable|null}>  $events  in the order of time, each with until when an answer is wanted
     * @return list<self>
     */
    public static function all(array $events, DateTimeImmutable $now): array
    {
        $ended = [];
        $running = null;
        $status = Status::Open;
        foreach ($events as [$event, $until]) {
            $isDone = $event->kind === EventKind::Status && $event->status !== $status && $event->status?->isDone();
            $status = $event->status ?? $status;
            if ($running !== null && ($isDone || $event->kind === EventKind::TeammateReply)) {
                $ended[] = new self(
                    $running->startedAt, $running->dueAt, $event->at, $isDone ? InstanceState::Dropped : InstanceState::Done,
                    $isDone ? null : $event->at <= $running->dueAt
                );
                $running = null;
            }
            if ($event->kind === EventKind::CustomerMessage && $until !== null && $until > $event->at) {
                $running = new self($running->startedAt ?? $event->at, $running === null ? $until : min($running->dueAt, $until));
            }
        }

        return $running === null
            ? $ended
            : [...$ended, new self($running->startedAt, $running->dueAt, kept: $now > $running->dueAt ? false : null)];
    }
}
