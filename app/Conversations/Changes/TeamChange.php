<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\AssignTeam;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Team\Team;
use Illuminate\Database\Eloquent\Collection;

/**
 * Whose team’s it is.
 */
final class TeamChange extends Change
{
    public function __construct(private readonly AssignTeam $assign) {}

    public function key(): string
    {
        return 'assign_team';
    }

    public function phrase(): string
    {
        return 'give it to the team';
    }

    public function group(): string
    {
        return 'Team';
    }

    public function choices(ChangeUse $use): array
    {
        return Team::query()->orderBy('name')->pluck('name', 'id')->all();
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        if ($use === ChangeUse::Hand && $chosen->value === '') {
            return 'none';
        }

        return $things->one(Team::query(), $chosen->value)->name ?? throw ChangeRefused::gone('a team', $chosen->value);
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->assign->assign($conversation, $chosen->value === '' ? null : Team::query()->findOrFail($chosen->id()), $actor, $why);
    }

    public function references(Chosen $chosen): array
    {
        return Reference::toNumber(Team::class, $chosen->value);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->team_id === $chosen->id(), 'the team has it already'
        );
    }

    public function records(): array
    {
        return [JournalKind::TeamChanged];
    }
}
