<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Returns\LocalDate;
use Cairnfield\Core\Returns\ReturnPolicy;
use Cairnfield\Core\Returns\ReturnWindow;
use DateTimeImmutable;
use DateTimeZone;

final class CountReturnWindow implements Calculation
{
    /** Days; more would lead out of the calendar. */
    private const MOST_DAYS = 1_000_000;

    public function help(): string
    {
        return <<<'HELP'
            Until when something may come back.
              timezone      IANA, makes the local dates: "Europe/Lisbon"
              requested_at  an instant, as are ordered_at, shipped_at and delivered_at; the last two may be null
              policy        {"days", "transit_days", "roll_to_open_day", "calendar"}
            Result: {"first_day", "last_day", "allowed", "days_left", "basis": "delivered", "shipped" or "unshipped"}
            Errors: bad_input, bad_calendar, calendar_never_opens
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $zone = $this->zone($case);
        $requested = $case->instant('requested_at');
        $case->instant('ordered_at');
        $shipped = $this->instantOrNull($case, 'shipped_at');
        $delivered = $this->instantOrNull($case, 'delivered_at');
        $window = ReturnWindow::of($this->policy(Fields::of($case->object('policy'), 'policy')), $zone, $requested, $shipped, $delivered);
        $date = static fn (?int $day): ?string => $day === null ? null : LocalDate::write($day);

        return [
            'first_day' => $date($window->firstDay), 'last_day' => $date($window->lastDay), 'allowed' => $window->allowed,
            'days_left' => $window->daysLeft, 'basis' => $window->from->value,
        ];
    }

    private function policy(Fields $policy): ReturnPolicy
    {
        $days = $this->days($policy, 'days');
        $transit = $policy->has('transit_days') ? $this->days($policy, 'transit_days') : 0;
        $rolls = $policy->has('roll_to_open_day') && $policy->boolean('roll_to_open_day');
        $calendar = $policy->has('calendar') ? Calendar::read($policy->value('calendar'), $policy->at('calendar')) : null;

        return new ReturnPolicy($days, $transit, $rolls ? $calendar : null);
    }

    private function days(Fields $policy, string $name): int
    {
        $days = $policy->integer($name);

        return $days >= 0 && $days <= self::MOST_DAYS
            ? $days
            : throw BadInput::expected('days from 0 to '.self::MOST_DAYS, $policy->at($name));
    }

    private function zone(Fields $case): DateTimeZone
    {
        $name = $case->string('timezone');

        return in_array($name, DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC), true)
            ? new DateTimeZone($name)
            : throw BadInput::expected("a time zone like 'Europe/Copenhagen' (IANA)", 'timezone');
    }

    private function instantOrNull(Fields $case, string $name): ?DateTimeImmutable
    {
        return $case->has($name) ? $case->instant($name) : null;
    }
}
