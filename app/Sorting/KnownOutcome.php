<?php

declare(strict_types=1);

namespace App\Sorting;

/**
 * Outcomes that the program itself resolves with. The store may call them as it likes.
 */
enum KnownOutcome: string
{
    /** Of what was joined into another. */
    case Duplicate = 'duplicate';

    case Junk = 'junk';

    /** Where the customer does not answer. */
    case NoAnswer = 'no_answer';

    public function usualName(): string
    {
        return match ($this) {
            self::Duplicate => 'Duplicate',
            self::Junk => 'Junk',
            self::NoAnswer => 'No answer',
        };
    }
}
