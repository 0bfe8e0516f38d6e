<?php

declare(strict_types=1);

namespace App\Refunds;

enum RefundState: string
{
    /** On its way to the payments. */
    case Requested = 'requested';

    /** All of it has gone back. */
    case Done = 'done';

    /** A part cannot go back to where it was to: a person says what becomes of it. */
    case Stuck = 'stuck';

    /** Nothing of it went back, and it is not tried again. */
    case Withdrawn = 'withdrawn';

    public function label(): string
    {
        return match ($this) {
            self::Requested => 'on its way',
            self::Done => 'given back',
            self::Stuck => 'stuck',
            self::Withdrawn => 'withdrawn',
        };
    }
}
