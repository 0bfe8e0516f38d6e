<?php

declare(strict_types=1);

namespace App\Routing;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use Illuminate\Database\Eloquent\Collection;

/**
 * What would have become of a message.
 */
final readonly class TriedRouting
{
    /**
     * @param  Conversation  $conversation  as it would be; it is not there
     * @param  Collection<int, JournalEntry>  $journal  what would have happened, in order, each with its reason
     * @param  string  $promiseSet  what would be promised; empty where nothing is
     */
    public function __construct(
        public Conversation $conversation, public Collection $journal, public int $id, public string $promiseSet
    ) {}
}
