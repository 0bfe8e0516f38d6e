<?php

declare(strict_types=1);

namespace App\Team;

use Carbon\CarbonImmutable;

/**
 * Whether somebody is here. Who is away gets nothing by turn, answers nothing for rules, and is no lead on duty.
 */
final readonly class SetAvailability
{
    /** The setting that holds the store's own words for being away. */
    public const AWAY_WORDS = 'team.away_words';

    /**
     * @param  CarbonImmutable|null  $until  null until they say that they are here
     *
     * @throws TeamRefused
     */
    public function away(Teammate $person, CarbonImmutable $from, ?CarbonImmutable $until, string $word = ''): void
    {
        if ($until !== null && $until <= $from->max(CarbonImmutable::now())) {
            throw TeamRefused::awayEndsBefore();
        }
        $person->forceFill([
            'away_from' => $from, 'away_until' => $until, 'away_word' => trim($word) === '' ? null : mb_substr(trim($word), 0, 40),
        ])->save();
    }

    public function here(Teammate $person): void
    {
        $this->say($person, Availability::Here);
    }

    /**
     * That they are here, busy, or on a break.
     */
    public function say(Teammate $person, Availability $availability): void
    {
        $person->forceFill(['away_from' => null, 'away_until' => null, 'away_word' => null, 'availability' => $availability])->save();
    }
}
