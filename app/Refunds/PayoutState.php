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

    /**
     * Whether what is told is news. That it has failed does not stand against its having gone back: the provider's word of what it paid
     * counts, whatever was heard in between.
     */
    public function becomes(self $told): bool
    {
        return match ($this) {
            self::Requested => $told !== self::Requested,
            self::Sent => $told->isOver(),
            self::Failed => $told === self::Done,
            self::Done => false,
        };
    }
}
