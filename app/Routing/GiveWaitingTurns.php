<?php

declare(strict_types=1);

namespace App\Routing;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\AssignTeam;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Sorting\WhoMayRead;
use App\Team\TakeTurns;
use App\Team\Team;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Gives out what waits for somebody's turn, as soon as somebody can take it; after its team's time, to the team that it falls back
 * to, or to the lead. Safe to repeat, and reads by index what waits alone.
 */
final readonly class GiveWaitingTurns
{
    private const AT_ONCE = 200;

    public function __construct(private TakeTurns $turns, private AssignConversation $assign, private AssignTeam $assignTeam,
        private WhoMayRead $whoMayRead
    ) {}

    /**
     * @return int how many were given
     */
    public function give(): int
    {
        $given = 0;
        $waiting = DB::table('conversations')->whereNotNull('turn_awaited_since')->orderBy('next_up')->limit(self::AT_ONCE)->pluck('id');
        foreach ($waiting as $id) {
            $given += DB::transaction(fn (): int => $this->giveOne((int) $id) ? 1 : 0);
        }

        return $given;
    }

    private function giveOne(int $id): bool
    {
        $conversation = Conversation::query()->with('team')->lockForUpdate()->findOrFail($id);
        if ($conversation->turn_awaited_since === null) {
            return false;
        }
        if ($conversation->owner_id !== null || $conversation->state !== ConversationState::Open || $conversation->team?->turns === null) {
            // Somebody has taken it, or it is nobody's turn any more.
            $conversation->forceFill(['turn_awaited_since' => null])->save();

            return false;
        }
        $next = $this->turns->next($conversation);
        if ($next !== null) {
            $this->assign->assign($conversation, $next, Actor::application(), 'it waited for somebody to be here');

            return true;
        }
        $team = $conversation->team;
        $isTime = $team->fallback_minutes !== null
            && $conversation->turn_awaited_since->addMinutes($team->fallback_minutes) <= CarbonImmutable::now();

        return $isTime && $this->fallBack($conversation, $team);
    }

    private function fallBack(Conversation $conversation, Team $team): bool
    {
        $why = "nobody of the team {$team->name} was here for {$team->fallback_minutes} minutes";
        $other = $team->fallback_team_id === null ? null : Team::query()->find($team->fallback_team_id);
        if ($other === null) {
            $lead = Teammate::leadOnDuty($this->whoMayRead->of($conversation->category_id));
            $lead === null ?: $this->assign->assign($conversation, $lead, Actor::application(), $why);

            return $lead !== null;
        }
        $this->assignTeam->assign($conversation, $other, Actor::application(), $why);
        $conversation->refresh();
        $next = $this->turns->next($conversation);
        $next === null
            ? $conversation->forceFill(['turn_awaited_since' => $other->turns === null ? null : now()])->save()
            : $this->assign->assign($conversation, $next, Actor::application(), $why);

        return $next !== null;
    }
}
