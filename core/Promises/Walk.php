<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

/**
 * Goes through what happened for one target, and finds when its promises start, pause and end.
 *
 * @internal
 */
final class Walk
{
    /** @var list<Span> in the order in which they began */
    private array $spans = [];

    private ?Span $running = null;

    private Status $status = Status::Open;

    private bool $isAnswered = false;

    private bool $wasDone = false;

    public function __construct(private readonly Target $target, private Priority $priority, DateTimeImmutable $createdAt)
    {
        match ($target->kind) {
            PromiseKind::FirstReply => $this->start($createdAt),
            PromiseKind::Resolve => $this->start($createdAt, $this->clockRuns()),
            PromiseKind::NextReply, PromiseKind::Update => null,
        };
    }

    public function take(Event $event): void
    {
        match ($event->kind) {
            EventKind::CustomerMessage => $this->customerWrote($event->at),
            EventKind::TeammateReply => $this->teammateReplied($event->at),
            EventKind::Status => $this->becomes($event->status ?? $this->status, $event->at),
            EventKind::Priority => $this->priority = $event->priority ?? $this->priority,
            EventKind::AutoReply, EventKind::Note => null,
        };
    }

    /**
     * The target, what it was measured for, and the priority that is in force at the end of each, or now.
     *
     * @return list<array{Span, Priority}>
     */
    public function spans(): array
    {
        return array_map(fn (Span $span): array => [$span, $span->priority ?? $this->priority], $this->spans);
    }

    private function customerWrote(DateTimeImmutable $at): void
    {
        if ($this->target->kind === PromiseKind::NextReply && ($this->isAnswered || $this->wasDone) && $this->running === null) {
            $this->start($at);
        }
    }

    private function teammateReplied(DateTimeImmutable $at): void
    {
        $this->isAnswered = true;
        if ($this->target->kind === PromiseKind::Resolve) {
            return;
        }
        $this->endRunning($at, InstanceState::Done);
        if ($this->target->kind === PromiseKind::Update && $this->status->isOurTurn()) {
            $this->start($at);
        }
    }

    private function becomes(Status $to, DateTimeImmutable $at): void
    {
        $from = $this->status;
        if ($from === $to) {
            return;
        }
        $this->status = $to;
        $this->wasDone = $this->wasDone || $to->isDone();
        match ($this->target->kind) {
            PromiseKind::FirstReply, PromiseKind::NextReply => $to->isDone() ? $this->endRunning($at, InstanceState::Dropped) : null,
            PromiseKind::Update => $this->updateIn($to, $at),
            PromiseKind::Resolve => $this->resolveFrom($from, $to, $at),
        };
    }

    private function updateIn(Status $to, DateTimeImmutable $at): void
    {
        if (! $to->isOurTurn()) {
            $this->endRunning($at, InstanceState::Dropped);
        } elseif ($this->isAnswered && $this->running === null) {
            $this->start($at);
        }
    }

    private function resolveFrom(Status $from, Status $to, DateTimeImmutable $at): void
    {
        $span = $this->spans[0];
        match (true) {
            $from->isDone() && $to->isDone() => null,
            $to->isDone() => $span->end($at, InstanceState::Done, $this->priority),
            $from->isDone() => $span->goOn($at, $this->clockRuns()),
            $this->clockRuns() && $span->state === InstanceState::Paused => $span->run($at),
            ! $this->clockRuns() => $span->pause($at),
            default => null,
        };
    }

    private function clockRuns(): bool
    {
        return in_array($this->status, $this->target->runsIn, true);
    }

    private function start(DateTimeImmutable $at, bool $runs = true): void
    {
        $this->spans[] = $this->running = new Span($at, $runs);
    }

    private function endRunning(DateTimeImmutable $at, InstanceState $as): void
    {
        $this->running?->end($at, $as, $this->priority);
        $this->running = null;
    }
}
