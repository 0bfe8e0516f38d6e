<?php

declare(strict_types=1);

namespace App\Team;

use Cairnfield\Core\Assigning\Candidate;
use Illuminate\Database\Eloquent\Relations\Pivot;

/**
 * How somebody stands in the turns of a team.
 *
 * @property int $team_id
 * @property int $teammate_id
 * @property int $weight from 0; 2 gets twice as many as 1 where the team gives by weight
 * @property int|null $cap so many open ones at most; null for no limit
 * @property int $current what the weight has added up to
 * @property int|null $last_assigned the number of their last turn
 */
final class Turn extends Pivot
{
    protected $table = 'team_teammate';

    public function candidate(Teammate $person, int $open): Candidate
    {
        return new Candidate(
            $person->id, $this->weight, $open, $this->cap, $person->standing() === Availability::Here,
            [...($person->speaks ?? []), ...$person->skills->map(static fn (Skill $skill): string => $skill->key())->all()],
            $this->last_assigned, $this->current
        );
    }
}
