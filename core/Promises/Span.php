<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

/**
 * One promise from its start to its end, before it is measured.
 *
 * @internal
 */
final class Span
{
    public ?DateTimeImmutable $endedAt = null;

    /** In force at its end. */
    public ?Priority $priority = null;

    public InstanceState $state = InstanceState::Running;

    /** @var list<Run> */
    public array $runs = [];

    public function __construct(public readonly DateTimeImmutable $startedAt, bool $runs = true)
    {
        $runs ? $this->run($startedAt) : $this->state = InstanceState::Paused;
    }

    public function run(DateTimeImmutable $at): void
    {
        $this->runs[] = new Run($at);
        $this->state = InstanceState::Running;
    }

    public function pause(DateTimeImmutable $at): void
    {
        if ($this->state === InstanceState::Running) {
            $this->runs[] = array_pop($this->runs)?->ended($at) ?? new Run($at, $at);
        }
        $this->state = InstanceState::Paused;
    }

    public function end(DateTimeImmutable $at, InstanceState $as, Priority $priority): void
    {
        $this->pause($at);
        $this->state = $as;
        $this->endedAt = $at;
        $this->priority = $priority;
    }

    /**
     * Goes on with what it had spent.
     */
    public function goOn(DateTimeImmutable $at, bool $runs): void
    {
        $this->endedAt = null;
        $this->priority = null;
        $runs ? $this->run($at) : $this->state = InstanceState::Paused;
    }
}
