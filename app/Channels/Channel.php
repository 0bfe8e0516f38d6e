<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * The ways in. Only email is connected so far.
 */
enum Channel: string
{
    case Email = 'email';

    public function label(): string
    {
        return match ($this) {
            self::Email => 'Email',
        };
    }

    /**
     * The name of its drawing in the icon sheet.
     */
    public function icon(): string
    {
        return match ($this) {
            self::Email => 'envelope',
        };
    }
}
