<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

/**
 * Whose turn it is in a conversation.
 */
enum Status: string
{
    case Open = 'open';
    case Waiting = 'waiting';
    case Held = 'held';
    case Resolved = 'resolved';
    case Closed = 'closed';

    public function isDone(): bool
    {
        return $this === self::Resolved || $this === self::Closed;
    }

    /**
     * Whether the customer is kept waiting by us.
     */
    public function isOurTurn(): bool
    {
        return $this === self::Open || $this === self::Held;
    }
}
