<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Contracts\Auth\Factory;

/**
 * Shows instants in the reader's own time zone, with the weekday, as short as is still clear.
 */
final class LocalTime
{
    /** @var array{object|null, DateTimeZone}|null who reads, and their zone: a list asks hundreds of times */
    private ?array $reader = null;

    public function __construct(private readonly Factory $auth) {}

    /**
     * `09:52` today, `Mon 09:52` within the past or coming six days, else `Mon 2 Nov 09:52`.
     */
    public function short(DateTimeInterface $at): string
    {
        $local = $this->plain($at);

        return ltrim($this->dayOf($local).' '.$local->format('H:i'));
    }

    public function clock(DateTimeInterface $at): string
    {
        return $this->plain($at)->format('H:i');
    }

    /**
     * Empty for today, else the weekday, with the date where it is more than six days off.
     */
    public function day(DateTimeInterface $at): string
    {
        return $this->dayOf($this->plain($at));
    }

    /**
     * In full, for titles and those who need to be sure: `Monday 2 November 2026, 09:52 CET`.
     */
    public function full(DateTimeInterface $at): string
    {
        return $this->plain($at)->format('l j F Y, H:i T');
    }

    public function local(DateTimeInterface $at): CarbonImmutable
    {
        return CarbonImmutable::instance($at)->setTimezone($this->zone());
    }

    private function dayOf(DateTimeImmutable $local): string
    {
        $day = static fn (DateTimeImmutable $time): int => intdiv($time->getTimestamp() + $time->getOffset(), 86_400);
        $days = abs($day($local) - $day($this->plain(CarbonImmutable::now())));

        return match (true) {
            $days === 0 => '',
            $days < 7 => $local->format('D'),
            $days < 300 => $local->format('D j M'),
            default => $local->format('D j M Y'),
        };
    }

    /**
     * As PHP's own value: a list shows hundreds of them.
     */
    private function plain(DateTimeInterface $at): DateTimeImmutable
    {
        return (new DateTimeImmutable('@'.$at->getTimestamp()))->setTimezone($this->zone());
    }

    public function zone(): DateTimeZone
    {
        $user = $this->auth->guard()->user();
        if ($this->reader === null || $this->reader[0] !== $user) {
            $this->reader = [$user, new DateTimeZone($user->time_zone ?? 'UTC')];
        }

        return $this->reader[1];
    }
}
