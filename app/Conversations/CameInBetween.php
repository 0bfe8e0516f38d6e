<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Journal\JournalEntry;
use Illuminate\Database\Eloquent\Collection;
use RuntimeException;

/**
 * Somebody else did something in the conversation that this person has not seen yet.
 */
final class CameInBetween extends RuntimeException
{
    /**
     * @param  Collection<int, JournalEntry>  $entries
     */
    public function __construct(public readonly Collection $entries)
    {
        parent::__construct('Something came in between: read it before you go on.');
    }
}
