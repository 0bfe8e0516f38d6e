<?php

declare(strict_types=1);

namespace App\Hours;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\HoursRefused;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * The hours of one calendar, asked about: usually the store's own.
 */
final readonly class StoreHours
{
    /** As far as the core looks ahead. */
    private const MOST_DAYS = 1830;

    private function __construct(private Calendar $calendar, public string $timeZone) {}

    /**
     * As the store has them now, by its main calendar.
     */
    public static function ofStore(): self
    {
        return self::of(app(Calendars::class)->main());
    }

    public static function of(WorkCalendar $calendar): self
    {
        return new self($calendar->read(), $calendar->time_zone);
    }

    /**
     * The moment after so many of the store's hours.
     */
    public function after(DateTimeInterface $from, int $hours): CarbonImmutable
    {
        return CarbonImmutable::instance($this->calendar->add(CarbonImmutable::instance($from)->utc(), $hours * 3600));
    }

    /**
     * The latest moment since which so many of the store's hours have passed.
     */
    public function before(DateTimeInterface $to, int $hours): CarbonImmutable
    {
        return CarbonImmutable::instance($this->calendar->subtract(CarbonImmutable::instance($to)->utc(), $hours * 3600));
    }

    /**
     * The same time of the day, so many of the days later on which the store opens at all.
     *
     * @throws HoursRefused `calendar_never_opens`
     */
    public function afterWorkingDays(DateTimeInterface $from, int $days): CarbonImmutable
    {
        $local = CarbonImmutable::instance($from)->setTimezone($this->timeZone);
        for ($counted = $looked = 0; $counted < $days; $looked++) {
            if ($looked > self::MOST_DAYS) {
                throw HoursRefused::neverOpens();
            }
            $local = $local->addDay();
            $counted += $this->openBetween($local->startOfDay(), $local->addDay()->startOfDay()) > 0 ? 1 : 0;
        }

        return $local->utc();
    }

    /**
     * The first moment in the store's hours from then on: what is sent by itself comes while somebody is there.
     *
     * @throws HoursRefused `calendar_never_opens`
     */
    public function openAfterWorkingDays(DateTimeInterface $from, int $days): CarbonImmutable
    {
        return $this->opensAt($this->afterWorkingDays($from, $days)) ?? throw HoursRefused::neverOpens();
    }

    /**
     * The moment itself where the store is open then, else when it opens next; null where it never does.
     */
    public function opensAt(DateTimeInterface $at): ?CarbonImmutable
    {
        $opens = $this->calendar->opensAt(CarbonImmutable::instance($at)->utc()->startOfSecond());

        return $opens === null ? null : CarbonImmutable::instance($opens);
    }

    /**
     * Until when it is open without a break; null where it is closed at that moment, or never closes.
     */
    public function closesAt(DateTimeInterface $at): ?CarbonImmutable
    {
        $closes = $this->isOpen($at) ? $this->calendar->closesAt(CarbonImmutable::instance($at)->utc()->startOfSecond()) : null;

        return $closes === null ? null : CarbonImmutable::instance($closes);
    }

    public function isOpen(DateTimeInterface $at): bool
    {
        return $this->opensAt($at)?->getTimestamp() === $at->getTimestamp();
    }

    /**
     * Seconds of the store's hours between two instants, the first not after the second.
     */
    public function openBetween(DateTimeInterface $from, DateTimeInterface $to): int
    {
        return $this->calendar->between(CarbonImmutable::instance($from)->utc(), CarbonImmutable::instance($to)->utc());
    }
}
