<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Input\Fields;

final class HoursBetween implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            How many open seconds lie between two instants.
              calendar  {"timezone", "week", "exceptions"} or {"always": true}
              from, to  instants, RFC 3339: "2026-11-23T09:00:00Z"
            Result: {"seconds": 3600}
            Errors: bad_input, bad_calendar, bad_range
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $calendar = $case->value('calendar');
        $from = $case->instant('from');
        $to = $case->instant('to');

        return ['seconds' => Calendar::read($calendar)->between($from, $to)];
    }
}
