<?php

declare(strict_types=1);

namespace App\Returns;

use App\Hours\Calendars;
use App\Hours\StoreHours;
use App\Support\StoreSettings;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * How the bench works: by whose hours, how soon each step is promised, and when a parcel counts as stuck.
 */
final class ReturnSettings
{
    public const NAME = 'returns';

    public const USUAL_HOURS = ['decide' => 8, 'inspect' => 8, 'settle' => 8];

    public const USUAL_STUCK = 5;

    public const REMINDED = 'reminded';

    /** Of what customers can be told, by the step. */
    public const TOLD = [
        'asked' => 'Asked for', 'agreed' => 'Agreed, with the label', 'declined' => 'Declined', self::REMINDED => 'Not sent yet',
        'lapsed' => 'Not sent in time', 'arrived' => 'Arrived', 'inspected' => 'Inspected', 'settled' => 'Settled',
    ];

    /**
     * Until when the next step is promised; null where it is not ours.
     */
    public static function dueAt(ReturnState $state, DateTimeInterface $from): ?CarbonImmutable
    {
        $hours = match ($state) {
            ReturnState::Asked => self::hours('decide'),
            ReturnState::Arrived => self::hours('inspect'),
            ReturnState::Inspected => self::hours('settle'),
            default => null,
        };

        return $hours === null ? null : self::calendar()->after($from, $hours);
    }

    public static function hours(string $step): int
    {
        return (int) (self::all()['hours'][$step] ?? self::USUAL_HOURS[$step]);
    }

    /**
     * Days without a scan.
     */
    public static function stuckAfter(): int
    {
        return (int) (self::all()['stuck'] ?? self::USUAL_STUCK);
    }

    /**
     * The template with which customers are told of a step; null where they are not told by itself.
     *
     * @param  string  $step  a state, or `reminded`
     */
    public static function toldWith(string $step): ?int
    {
        return isset(self::all()['told'][$step]) ? (int) self::all()['told'][$step] : null;
    }

    public static function calendarId(): ?int
    {
        return isset(self::all()['calendar']) ? (int) self::all()['calendar'] : null;
    }

    private static function calendar(): StoreHours
    {
        $calendars = app(Calendars::class);

        return StoreHours::of($calendars->all()[self::calendarId()] ?? $calendars->main());
    }

    /**
     * @return array<string, mixed>
     */
    private static function all(): array
    {
        return (array) app(StoreSettings::class)->get(self::NAME, []);
    }
}
