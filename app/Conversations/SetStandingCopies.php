<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\CopiesChanged;
use App\Conversations\Journal\Journal;
use Illuminate\Support\Facades\DB;

/**
 * Says which outside addresses get everything of a conversation.
 */
final readonly class SetStandingCopies
{
    public function __construct(private Journal $journal) {}

    /**
     * @param  list<string>  $addresses
     */
    public function set(Conversation $conversation, array $addresses, Actor $actor): void
    {
        DB::transaction(function () use ($conversation, $addresses, $actor): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $addresses = array_map(mb_strtolower(...), $addresses);
            if (($locked->standing_copies ?? []) === $addresses) {
                return;
            }
            $locked->forceFill(['standing_copies' => $addresses === [] ? null : $addresses])->save();
            $this->journal->record($locked, new CopiesChanged($addresses), $actor);
        });
    }
}
