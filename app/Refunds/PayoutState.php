<?php

declare(strict_types=1);

namespace App\Refunds;

enum PayoutState: string
{
    /** The provider has not been asked yet, or has not answered. */
    case Requested = 'requested';

    /** The provider has it, and will say how it went. */
    case Sent = 'sent';

    case Done = 'done';

    /** It does not go back to this payment. */
    case Failed = 'failed';

    public function label(): string
    {
        return match ($this) {
            self::Requested => 'asked for',
            self::Sent => 'on its way',
            self::Done => 'given back',
            self::Failed => 'failed',
        };
    }

    public function isOver(): bool
    {
        return $this === self::Done || $this === self::Failed;
    }
}
