<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * What an entry of the journal says, as data: ids with the names as they were, what was before and what is now. One class for
 * each kind, in the place that writes it; a sentence is made of it only when it is shown.
 *
 * What the constructor takes is what is stored, see PayloadFormat.
 */
abstract readonly class Payload
{
    abstract public static function kind(): JournalKind;

    abstract public function sentence(Told $told): string;

    /**
     * Whether it says something that a person who is writing an answer must not miss.
     */
    public static function matters(): bool
    {
        return false;
    }

    /**
     * Whether its sentence says why already.
     */
    public function saysWhy(): bool
    {
        return false;
    }
}
