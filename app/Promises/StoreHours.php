<?php

declare(strict_types=1);

namespace App\Promises;

use App\Store\Store;
use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\HoursRefused;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * The store's hours, and the one target that every answer is held to so far.
 */
final class StoreHours
{
    /** As far as the core looks ahead. */
    private const MOST_DAYS = 1830;

    /** @var array{int, CarbonImmutable}|null the last one asked for */
    private ?array $last = null;

    private function __construct(private readonly Calendar $calendar, private readonly int $answerWithin) {}

    /**
     * As the store has them now. Read once for each calendar that there was: workers go on for long.
     */
    public static function ofStore(): self
    {
        static $read = [];
        $calendar = (string) json_encode(Store::current()->calendar());
        $within = (int) config('cairnfield.promises.answer_within');

        return $read["{$within} {$calendar}"] ??= new self(Calendar::read(json_decode($calendar)), $within);
    }

    /**
     * When the answer to something written at this time falls due.
     */
    public function dueAt(DateTimeInterface $waitingSince): CarbonImmutable
    {
        // What arrives in one second falls due at one time.
        if ($this->last === null || $this->last[0] !== $waitingSince->getTimestamp()) {
            $this->last = [$waitingSince->getTimestamp(), CarbonImmutable::instance(
                $this->calendar->add(CarbonImmutable::instance($waitingSince)->utc(), $this->answerWithin),
            )];
        }

        return $this->last[1];
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
        $local = CarbonImmutable::instance($from)->setTimezone(Store::current()->timeZone);
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
     * The moment itself where the store is open then, else when it opens next.
     */
    public function opensAt(DateTimeInterface $at): CarbonImmutable
    {
        $at = CarbonImmutable::instance($at)->utc()->startOfSecond();

        return CarbonImmutable::instance($this->calendar->add($at, 1))->subSecond();
    }

    public function isOpen(DateTimeInterface $at): bool
    {
        return $this->opensAt($at)->getTimestamp() === $at->getTimestamp();
    }

    /**
     * Seconds of the store's hours between two instants, the first not after the second.
     */
    public function openBetween(DateTimeInterface $from, DateTimeInterface $to): int
    {
        return $this->calendar->between(CarbonImmutable::instance($from)->utc(), CarbonImmutable::instance($to)->utc());
    }

    /**
     * How the promise stands at a moment: the time used, counted in the store's hours.
     */
    public function standing(DateTimeInterface $waitingSince, DateTimeInterface $dueAt, DateTimeInterface $now): PromiseStanding
    {
        // What is missed has no stone left, however much time was used.
        $used = $dueAt < $now ? $this->answerWithin : $this->openBetween($waitingSince, $now < $waitingSince ? $waitingSince : $now);

        return PromiseStanding::of($used, $this->answerWithin, $dueAt, $now);
    }
}
