<?php

declare(strict_types=1);

namespace App\Conversations;

/**
 * Whose turn it is.
 */
enum ConversationState: string
{
    case Open = 'open';
    case Waiting = 'waiting';
    case Held = 'held';
    case Resolved = 'resolved';
    case Closed = 'closed';

    public function label(): string
    {
        return match ($this) {
            self::Open => 'Open',
            self::Waiting => 'Waiting on customer',
            self::Held => 'Held',
            self::Resolved => 'Resolved',
            self::Closed => 'Closed',
        };
    }

    public function isDone(): bool
    {
        return $this === self::Resolved || $this === self::Closed;
    }
}
