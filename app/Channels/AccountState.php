<?php

declare(strict_types=1);

namespace App\Channels;

enum AccountState: string
{
    case Active = 'active';
    /** Neither heard nor answered for now; everything is caught up with afterwards. */
    case Paused = 'paused';
    /** Its secrets are thrown away. What came by it stays. */
    case Disconnected = 'disconnected';

    public function label(): string
    {
        return match ($this) {
            self::Active => 'Connected',
            self::Paused => 'Paused',
            self::Disconnected => 'Disconnected',
        };
    }
}
