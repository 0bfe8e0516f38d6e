<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\Instant;
use Cairnfield\Core\Input\Fields;

final class AddHours implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            The earliest instant by which so many open seconds have passed.
              calendar  {"timezone", "week", "exceptions"} or {"always": true}
              from      an instant, RFC 3339: "2026-11-23T09:00:00Z"
              seconds   open seconds, 0 or more
            Result: {"at": "2026-11-23T10:00:00Z"}
            Errors: bad_input, bad_calendar, bad_range, calendar_never_opens
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $calendar = $case->value('calendar');
        $from = $case->instant('from');
        $seconds = $case->integer('seconds');

        return ['at' => Instant::write(Calendar::read($calendar)->add($from, $seconds))];
    }
}
