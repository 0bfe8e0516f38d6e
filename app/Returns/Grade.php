<?php

declare(strict_types=1);

namespace App\Returns;

/**
 * How a unit was found at the inspection.
 */
enum Grade: string
{
    case AsNew = 'as_new';
    case Opened = 'opened';
    case Damaged = 'damaged';
    case Faulty = 'faulty';
    case Missing = 'missing';
    case Other = 'other';

    public function label(): string
    {
        return match ($this) {
            self::AsNew => 'As new',
            self::Opened => 'Opened',
            self::Damaged => 'Damaged by the customer',
            self::Faulty => 'Faulty',
            self::Missing => 'Missing',
            self::Other => 'Not what was sent',
        };
    }

    /**
     * Percent of the price that is given back, where the store has said nothing else.
     */
    public function usualShare(): string
    {
        return match ($this) {
            self::AsNew, self::Faulty => '100',
            self::Opened => '85',
            self::Damaged => '40',
            self::Missing, self::Other => '0',
        };
    }

    /**
     * Whether something that was bought has come back.
     */
    public function isThere(): bool
    {
        return $this !== self::Missing && $this !== self::Other;
    }

    /**
     * Whether it can be sold again as it is.
     */
    public function usuallyToStock(): bool
    {
        return $this === self::AsNew;
    }
}
