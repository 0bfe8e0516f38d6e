<?php

declare(strict_types=1);

namespace App\SignIn;

/**
 * What a one-time link is for.
 */
enum PassPurpose: string
{
    case Invitation = 'invitation';
    case Reset = 'reset';

    /**
     * How long it can be used, in hours.
     */
    public function hours(): int
    {
        return match ($this) {
            self::Invitation => 7 * 24,
            self::Reset => 2,
        };
    }
}
