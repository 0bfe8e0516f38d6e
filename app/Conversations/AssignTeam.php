<?php

declare(strict_types=1);

namespace App\Conversations;

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
            $from = $locked->team?->name;
            $locked->forceFill(['team_id' => $team?->id])->save();
            $this->journal->record($locked, JournalKind::TeamChanged, $actor, ['from' => $from, 'to' => $team?->name], $why);
        });
    }
}
