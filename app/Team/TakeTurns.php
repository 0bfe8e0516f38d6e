<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use Cairnfield\Core\Assigning\Assignment;
use Cairnfield\Core\Assigning\Candidate;
use Illuminate\Support\Facades\DB;

/**
 * Says whose turn it is in a team: by its own way, among those who are here and have room, and of these rather
 * somebody who speaks the customer's language.
 */
final readonly class TakeTurns
{
    /**
     * Why nobody's turn it is; null where it is somebody's.
     */
    public function whyNot(Conversation $conversation): ?string
    {
        $team = $conversation->team;
        if ($team === null) {
            return 'it is in no team';
        }
        if ($team->turns === null) {
            return "the team {$team->name} takes no turns";
        }

        return $this->pick($team, $conversation->language)->picked === [null]
            ? "everybody in the team {$team->name} is away or has as many as they can take"
            : null;
    }

    /**
     * Takes the turn. Runs in the transaction in which it is given; two at once take two turns.
     */
    public function next(Conversation $conversation): ?Teammate
    {
        $team = Team::query()->lockForUpdate()->find($conversation->team_id);
        if ($team?->turns === null) {
            return null;
        }
        $assignment = $this->pick($team, $conversation->language);
        if ($assignment->picked === [null]) {
            return null;
        }
        foreach ($assignment->people as $one) {
            DB::table('team_teammate')
                ->where('team_id', $team->id)
                ->where('teammate_id', $one->id)
                ->update(['current' => $one->current, 'last_assigned' => $one->lastAssigned]);
        }

        return Teammate::query()->find($assignment->picked[0]);
    }

    private function pick(Team $team, ?string $language): Assignment
    {
        $people = $team->teammates()->where('may_sign_in', true)->orderBy('teammates.id')->get();
        $open = DB::table('conversations')
            ->whereIn('owner_id', $people->modelKeys())
            ->where('state', ConversationState::Open)
            ->groupBy('owner_id')
            ->selectRaw('owner_id, COUNT(*) AS count')
            ->pluck('count', 'owner_id');
        $candidates = array_values(
            $people->map(
                static fn (Teammate $person): Candidate => $person->turn->candidate($person, (int) ($open[$person->id] ?? 0))
            )->all()
        );
        $speaking = $language === null
            ? null
            : Assignment::next($team->turns ?? throw TeamRefused::noTurns($team->name), 1, [$language], $candidates);

        return $speaking !== null && $speaking->picked !== [null]
            ? $speaking
            : Assignment::next($team->turns ?? throw TeamRefused::noTurns($team->name), 1, [], $candidates);
    }
}
