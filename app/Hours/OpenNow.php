<?php

declare(strict_types=1);

namespace App\Hours;

use App\Support\LocalTime;
use DateTimeInterface;

/**
 * Whether somebody is there, in words: `open now until 17:00`, `closed, opens Mon 09:00`.
 */
final class OpenNow
{
    public static function of(StoreHours $hours, LocalTime $time, DateTimeInterface $now): string
    {
        $opens = $hours->opensAt($now);
        if ($opens === null) {
            return 'closed';
        }
        if ($opens->getTimestamp() > $now->getTimestamp()) {
            return "closed, opens {$time->short($opens)}";
        }
        $closes = $hours->closesAt($now);

        return $closes === null ? 'open day and night' : "open now until {$time->short($closes)}";
    }
}
