<?php

declare(strict_types=1);

namespace Cairnfield\Core\Hours;

use Cairnfield\Core\Refusal;

final class HoursRefused extends Refusal
{
    public static function badCalendar(string $why, string $at): self
    {
        return new self('bad_calendar', $why, $at);
    }

    public static function toBeforeFrom(): self
    {
        return new self('bad_range', "'to' is before 'from'.", 'to');
    }

    public static function negativeSeconds(): self
    {
        return new self('bad_range', "'seconds' is negative.", 'seconds');
    }

    public static function neverOpens(): self
    {
        return new self(
            'calendar_never_opens',
            'The calendar does not open for that long within 1,830 days.',
            'calendar',
        );
    }
}
