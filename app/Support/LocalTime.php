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
final readonly class LocalTime
{
    public function __construct(private Factory $auth) {}

    /**
     * `09:52` today, `Mon 09:52` within the past or coming six days, else `Mon 2 Nov 09:52`.
     */
    public function short(DateTimeInterface $at): string
    {
        return trim($this->day($at).' '.$this->clock($at));
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
        $local = $this->plain($at);
        $day = static fn (DateTimeImmutable $time): int => intdiv((int) gmmktime(0, 0, 0, (int) $time->format('n'), (int) $time->format('j'), (int) $time->format('Y')), 86_400);
        $days = abs($day($local) - $day($this->plain(CarbonImmutable::now())));

        return match (true) {
            $days === 0 => '',
            $days < 7 => $local->format('D'),
            $days < 300 => $local->format('D j M'),
            default => $local->format('D j M Y'),
        };
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

    /**
     * As PHP's own value: a list shows hundreds of them.
     */
    private function plain(DateTimeInterface $at): DateTimeImmutable
    {
        static $zones = [];
        $zone = $this->zone();

        return DateTimeImmutable::createFromInterface($at)->setTimezone($zones[$zone] ??= new DateTimeZone($zone));
    }

    private function zone(): string
    {
        $user = $this->auth->guard()->user();

        return $user->time_zone ?? 'UTC';
    }
}
