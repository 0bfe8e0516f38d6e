<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * What follows from what was written down, and is to be stored in the same transaction: looked at once, before its end.
 */
interface BeforeCommit
{
    public function wrote(int $conversation, JournalKind $kind): void;
}
