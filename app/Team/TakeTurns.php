<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Sorting\WhoMayRead;
use Cairnfield\Core\Assigning\Assignment;
use Cairnfield\Core\Assigning\Candidate;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Support\Facades\DB;

/**
 * Says whose turn it is in a team: by its own way, among those who are here, have room and can do what its category needs; of these
 * rather who had the customer's last matter, where the team wants that, and rather somebody who speaks the customer's language.
 */
final readonly class TakeTurns
{
    public function __construct(private NeededSkills $needed, private WhoMayRead $whoMayRead) {}

    /**
     * Why it can be nobody's turn at all; null where it can be somebody's, now or later.
     */
    public function whyNot(Conversation $conversation): ?string
    {
        $conversation->loadMissing('team');

        return match (true) {
            $conversation->team === null => 'it is in no team',
            $conversation->team->turns === null => "the team {$conversation->team->name} takes no turns",
            default => null,
        };
    }

    /**
     * Takes the turn. Runs in the transaction in which it is given; two at once take two turns.
     */
    public function next(Conversation $conversation): ?Teammate
    {
        $team = Team::query()->lockForUpdate()->find($conversation->team_id);
        $assignment = $team?->turns === null ? null : $this->pick($team, $team->turns, $conversation);
        if ($team === null || $assignment === null) {
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

    private function pick(Team $team, Method $method, Conversation $conversation): ?Assignment
    {
        $candidates = array_map(
            fn (Candidate $one): Candidate => $this->whoMayRead->mayReadConversation($one->id, $conversation) ? $one : $one->unavailable(),
            $this->candidates($team)
        );
        $needs = $this->needed->by($conversation->category_id);
        $earlier = $team->earlier_owner_first ? $this->earlierOwner($conversation) : null;
        $language = $conversation->language;
        $tries = [
            ...($earlier === null ? [] : [[$needs, array_map(
                static fn (Candidate $one): Candidate => $one->id === $earlier ? $one : $one->unavailable(), $candidates
            )]]),
            ...($language === null ? [] : [[[...$needs, $language], $candidates]]),
            [$needs, $candidates],
        ];
        foreach ($tries as [$must, $people]) {
            $assignment = Assignment::next($method, 1, $must, $people);
            if ($assignment->picked !== [null]) {
                return $assignment;
            }
        }

        return null;
    }

    /**
     * @return list<Candidate>
     */
    private function candidates(Team $team): array
    {
        $people = $team->teammates()->where('may_sign_in', true)->with('skills')->orderBy('teammates.id')->get();
        $open = DB::table('conversations')
            ->whereIn('owner_id', $people->modelKeys())
            ->where('state', ConversationState::Open)
            ->groupBy('owner_id')
            ->selectRaw('owner_id, COUNT(*) AS count')
            ->pluck('count', 'owner_id');

        return array_values($people->map(
            static fn (Teammate $person): Candidate => $person->turn->candidate($person, (int) ($open[$person->id] ?? 0))
        )->all());
    }

    private function earlierOwner(Conversation $conversation): ?int
    {
        $owner = DB::table('conversations')->where('customer_id', $conversation->customer_id)->where('id', '!=', $conversation->id)
            ->whereNotNull('owner_id')->orderByDesc('last_message_at')->orderByDesc('id')->value('owner_id');

        return $owner === null ? null : (int) $owner;
    }
}
