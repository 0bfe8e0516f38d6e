<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

/**
 * One thing that happened in a conversation, at an instant in UTC.
 */
final readonly class Event
{
    private function __construct(
        public DateTimeImmutable $at, public EventKind $kind, public ?Status $status = null, public ?Priority $priority = null
    ) {}

    public static function customerMessage(DateTimeImmutable $at): self
    {
        return new self($at, EventKind::CustomerMessage);
    }

    public static function teammateReply(DateTimeImmutable $at): self
    {
        return new self($at, EventKind::TeammateReply);
    }

    public static function autoReply(DateTimeImmutable $at): self
    {
        return new self($at, EventKind::AutoReply);
    }

    public static function note(DateTimeImmutable $at): self
    {
        return new self($at, EventKind::Note);
    }

    public static function status(DateTimeImmutable $at, Status $status): self
    {
        return new self($at, EventKind::Status, $status);
    }

    public static function priority(DateTimeImmutable $at, Priority $priority): self
    {
        return new self($at, EventKind::Priority, priority: $priority);
    }

    /**
     * The same at another instant.
     */
    public function at(DateTimeImmutable $at): self
    {
        return new self($at, $this->kind, $this->status, $this->priority);
    }
}
