<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeInterface;
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
        return $this->local($at)->format('H:i');
    }

    /**
     * Empty for today, else the weekday, with the date where it is more than six days off.
     */
    public function day(DateTimeInterface $at): string
    {
        $local = $this->local($at);
        $days = (int) abs($local->startOfDay()->diffInDays($this->local(CarbonImmutable::now())->startOfDay()));

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
        return $this->local($at)->format('l j F Y, H:i T');
    }

    public function local(DateTimeInterface $at): CarbonImmutable
    {
        return CarbonImmutable::instance($at)->setTimezone($this->zone());
    }

    private function zone(): string
    {
        $user = $this->auth->guard()->user();

        return $user->time_zone ?? 'UTC';
    }
}
