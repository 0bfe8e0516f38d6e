<?php

declare(strict_types=1);

namespace Cairnfield\Core\Queue;

/**
 * How much a conversation matters, the most first.
 */
enum Priority: string
{
    case Urgent = 'urgent';
    case High = 'high';
    case Normal = 'normal';
    case Low = 'low';

    public function label(): string
    {
        return ucfirst($this->value);
    }

    /**
     * 0 for what comes first.
     */
    public function place(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
