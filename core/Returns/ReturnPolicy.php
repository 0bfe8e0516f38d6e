<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

use Cairnfield\Core\Hours\Calendar;

/**
 * How long something may come back.
 */
final readonly class ReturnPolicy
{
    /**
     * @param  int  $days  0 or more, after the date from which they count
     * @param  int  $transitDays  how long a parcel takes where nobody knows when it arrived; 0 or more
     * @param  Calendar|null  $openDays  a last day on which it has no open span moves to the next date that has one; null to move nothing
     */
    public function __construct(public int $days, public int $transitDays, public ?Calendar $openDays) {}
}
