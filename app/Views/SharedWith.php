<?php

declare(strict_types=1);

namespace App\Views;

/**
 * Who sees a saved view.
 */
enum SharedWith: string
{
    case Nobody = 'nobody';
    case Team = 'team';
    case Everybody = 'everybody';

    public function label(): string
    {
        return match ($this) {
            self::Nobody => 'only me',
            self::Team => 'a team',
            self::Everybody => 'everybody',
        };
    }
}
