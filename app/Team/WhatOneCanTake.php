<?php

declare(strict_types=1);

namespace App\Team;

use App\Conversations\Conversation;
use Illuminate\Database\Eloquent\Builder;

/**
 * What somebody can deal with: what lies with one of their teams or with none, and needs no skill that they lack.
 */
final readonly class WhatOneCanTake
{
    public function __construct(private NeededSkills $needed) {}

    /**
     * @param  Builder<Conversation>  $query
     */
    public function narrow(Builder $query, Teammate $person): void
    {
        $teams = $person->teams()->pluck('teams.id')->all();
        if ($teams !== [] && ! $person->role->arranges()) {
            $query->where(static fn (Builder $own) => $own->whereNull('team_id')->orWhereIn('team_id', $teams));
        }
        $beyond = $this->needed->beyond($person->loadMissing('skills'));
        if ($beyond !== []) {
            $query->where(static fn (Builder $fit) => $fit->whereNull('category_id')->orWhereNotIn('category_id', $beyond));
        }
    }

    /**
     * Whether its team takes what is next, and nothing else. Leads see to what is left over.
     */
    public function mustTakeNext(Conversation $conversation, Teammate $person): bool
    {
        return $conversation->owner_id === null && ! $person->role->arranges() && ($conversation->team->next_only ?? false);
    }
}
