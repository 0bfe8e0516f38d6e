<?php

declare(strict_types=1);

namespace App\Team;

use RuntimeException;

/**
 * What cannot be done to the team, in words for whoever wanted it.
 */
final class TeamRefused extends RuntimeException
{
    public static function awayEndsBefore(): self
    {
        return new self('The time away has to end later than now, and after it begins.');
    }

    public static function noTurns(string $team): self
    {
        return new self("The team {$team} takes no turns. Choose how it does under Sorting, Teams.");
    }
}
