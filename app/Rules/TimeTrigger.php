<?php

declare(strict_types=1);

namespace App\Rules;

use App\Hours\StoreHours;
use App\Store\Store;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * When a rule runs with time: so many hours since something, in clock time or in working hours, and again every
 * so many hours if it says so; or at a set time on some days of the week.
 */
final readonly class TimeTrigger
{
    public const MOST_HOURS = 5000;

    private const DAYS = [1 => 'Mon', 2 => 'Tue', 3 => 'Wed', 4 => 'Thu', 5 => 'Fri', 6 => 'Sat', 7 => 'Sun'];

    /**
     * @param  int  $hours  since, or until, 0 or more
     * @param  bool  $inHours  whether working hours are counted
     * @param  int  $again  every so many hours once more; 0 for once
     * @param  list<int>  $days  of the week, 1 for Monday; empty where it is no set time
     * @param  string  $time  of the day in the store's zone, such as `09:00`
     */
    private function __construct(
        public ?TimeTriggerSince $since, public int $hours, public bool $inHours, public int $again, public array $days,
        public string $time
    ) {}

    /**
     * @param  array<mixed>  $written  `since`, `hours`, `in_hours`, `again`; or `days` and `time`
     *
     * @throws RuleRefused
     */
    public static function of(array $written): self
    {
        $number = static fn (string $key): int => is_numeric($written[$key] ?? null) ? (int) $written[$key] : 0;
        $days = array_values(
            array_unique(
                array_filter(
                    array_map(intval(...), (array) ($written['days'] ?? [])), static fn (int $day): bool => isset(self::DAYS[$day])
                )
            )
        );
        if (($written['since'] ?? '') === 'times') {
            $time = is_string($written['time'] ?? null) ? $written['time'] : '';
            if ($days === [] || preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) !== 1) {
                throw RuleRefused::noTimes();
            }
            sort($days);

            return new self(null, 0, false, 0, $days, $time);
        }
        $since = is_string($written['since'] ?? null) ? TimeTriggerSince::tryFrom($written['since']) : null;
        if ($since === null) {
            throw RuleRefused::withoutEvent();
        }
        $hours = $number('hours');
        $again = $number('again');
        if (
            $hours < 0 || $hours > self::MOST_HOURS || $again < 0 || $again > self::MOST_HOURS || (
                $hours === 0 && $since !== TimeTriggerSince::SinceDue
            )
        ) {
            throw RuleRefused::badHours(self::MOST_HOURS);
        }

        return new self($since, $hours, (bool) ($written['in_hours'] ?? false), $again, [], '');
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return $this->since === null
            ? ['since' => 'times', 'days' => $this->days, 'time' => $this->time]
            : ['since' => $this->since->value, 'hours' => $this->hours, 'in_hours' => $this->inHours, 'again' => $this->again];
    }

    public function label(): string
    {
        if ($this->since === null) {
            $days = match ($this->days) {
                [1, 2, 3, 4, 5] => 'weekdays',
                [1, 2, 3, 4, 5, 6, 7] => 'every day',
                default => implode(', ', array_map(static fn (int $day): string => self::DAYS[$day], $this->days)),
            };

            return "it is {$this->time} ({$days})";
        }
        $length = self::length($this->hours, $this->inHours);
        $text = $this->since === TimeTriggerSince::SinceDue && $this->hours === 0
            ? 'its promise is missed'
            : "it is {$length} {$this->since->label()}";

        return $text.($this->again === 0 ? '' : ', and again every '.self::length($this->again, $this->inHours));
    }

    /**
     * Long clock times are read in days.
     */
    private static function length(int $hours, bool $inHours): string
    {
        return match (true) {
            $inHours => $hours === 1 ? '1 working hour' : "{$hours} working hours",
            $hours >= 48 && $hours % 24 === 0 => ($hours / 24).' days',
            default => $hours === 1 ? '1 hour' : "{$hours} hours",
        };
    }

    /**
     * Up to which value of the column the time has come.
     *
     * @param  int  $round  0 for the first time, then how often again
     */
    public function threshold(StoreHours $hours, DateTimeInterface $now, int $round = 0): CarbonImmutable
    {
        $now = CarbonImmutable::instance($now);
        $again = $round * $this->again;
        // What is still to come is asked of a moment ahead, and again ever nearer to it.
        $ahead = $this->since === TimeTriggerSince::UntilDue ? $this->hours - $again : -$this->hours - $again;

        return match (true) {
            $ahead === 0 => $now,
            $ahead > 0 => $this->inHours ? $hours->after($now, $ahead) : $now->addHours($ahead),
            default => $this->inHours ? $hours->before($now, -$ahead) : $now->subHours(-$ahead),
        };
    }

    /**
     * The set time that was last, up to now.
     */
    public function lastTime(DateTimeInterface $now): ?CarbonImmutable
    {
        [$hour, $minute] = array_map(intval(...), explode(':', $this->time.':0'));
        $local = CarbonImmutable::instance($now)->setTimezone(Store::current()->timeZone);
        for ($back = 0; $back < 8; $back++) {
            $at = $local->subDays($back)->setTime($hour, $minute);
            if ($at <= $local && in_array($at->dayOfWeekIso, $this->days, true)) {
                return $at->utc();
            }
        }

        return null;
    }
}
