<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Queue\Priority;

/**
 * How soon one kind of promise is to be kept, for each priority.
 */
final readonly class Target
{
    /**
     * @param  array<string, int>  $seconds  by the value of the priority, from 0; one that is left out has no such promise
     * @param  Calendar  $calendar  in whose open seconds it is counted
     * @param  int  $warnBefore  so many seconds before it falls due, from 0
     * @param  list<Status>  $runsIn  for `resolve`, the statuses in which its clock runs: open, waiting, held
     */
    public function __construct(
        public PromiseKind $kind,
        public array $seconds,
        public Calendar $calendar,
        public int $warnBefore = 0,
        public array $runsIn = [Status::Open, Status::Held],
    ) {}

    /**
     * @return int|null seconds; null where nothing is promised for it
     */
    public function secondsFor(Priority $priority): ?int
    {
        return $this->seconds[$priority->value] ?? null;
    }
}
