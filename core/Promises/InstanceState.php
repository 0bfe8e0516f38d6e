<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

/**
 * Where one promise stands.
 */
enum InstanceState: string
{
    case Running = 'running';

    /** Its clock stands still. */
    case Paused = 'paused';
    case Done = 'done';

    /** Of no use any more: resolved without an answer, or it is the customer's turn. */
    case Dropped = 'dropped';

    public function isOver(): bool
    {
        return $this === self::Done || $this === self::Dropped;
    }
}
