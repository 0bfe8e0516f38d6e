<?php

declare(strict_types=1);

namespace App\Team;

use App\Support\Refused;

/**
 * What cannot be done to the team, in words for whoever wanted it.
 */
final class TeamRefused extends Refused
{
    public static function awayEndsBefore(): self
    {
        return new self('away_ends_before', 'The time away has to end later than now, and after it begins.');
    }

    public static function noTurns(string $team): self
    {
        return new self('no_turns', "The team {$team} takes no turns. Choose how it does under Sorting, Teams.");
    }

    public static function fallsBackToItself(): self
    {
        return new self('falls_back_to_itself', 'A team cannot fall back to itself. Choose another team, or the lead.', 'fallback');
    }
}
