<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mood;

/**
 * How upset a customer sounds.
 */
enum Mood: string
{
    case Upset = 'upset';
    case Uneasy = 'uneasy';
    case Neutral = 'neutral';
    case Pleased = 'pleased';

    /**
     * The mood of a conversation after another message: one that says nothing of it leaves it as it was.
     */
    public function then(self $next): self
    {
        return $next === self::Neutral ? $this : $next;
    }
}
