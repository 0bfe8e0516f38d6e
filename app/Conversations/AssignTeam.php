<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\TeamChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Team\Team;
use Illuminate\Support\Facades\DB;

/**
 * Gives a conversation to a team. An owner who is not of that team keeps it all the same.
 */
final readonly class AssignTeam
{
    public function __construct(private Journal $journal) {}

    public function assign(Conversation $conversation, ?Team $team, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $team, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->with('team')->findOrFail($conversation->id);
            if ($locked->team_id === $team?->id) {
                return;
            }
            $from = Named::orNone($locked->team_id, $locked->team?->name);
            $locked->forceFill(['team_id' => $team?->id])->save();
            $this->journal->record($locked, new TeamChanged($from, Named::orNone($team?->id, $team?->name)), $actor, $why);
        });
    }
}
