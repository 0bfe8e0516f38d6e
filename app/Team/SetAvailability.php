<?php

declare(strict_types=1);

namespace App\Team;

use Carbon\CarbonImmutable;

/**
 * Whether somebody is here. Who is away gets nothing by turn, answers nothing for rules, and is no lead on duty.
 */
final readonly class SetAvailability
{
    /**
     * @param  CarbonImmutable|null  $until  null until they say that they are here
     *
     * @throws TeamRefused
     */
    public function away(Teammate $person, CarbonImmutable $from, ?CarbonImmutable $until): void
    {
        if ($until !== null && $until <= $from->max(CarbonImmutable::now())) {
            throw TeamRefused::awayEndsBefore();
        }
        $person->forceFill(['away_from' => $from, 'away_until' => $until])->save();
    }

    public function here(Teammate $person): void
    {
        $person->forceFill(['away_from' => null, 'away_until' => null])->save();
    }
}
