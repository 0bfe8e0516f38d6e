<?php

declare(strict_types=1);

namespace App\Promises;

/**
 * One line of the record of a promise set: how many of some kind, and how long they took.
 */
final readonly class PromiseRecordLine
{
    /**
     * @param  string  $value  by which the line is told apart
     * @param  int  $all  but for those that were dropped
     * @param  int|null  $median  seconds in the hours of the promise, of those that were answered
     * @param  int|null  $ninetieth  percentile, likewise
     */
    public function __construct(
        public string $value, public string $label, public int $all, public int $kept, public int $missed, public int $warned,
        public int $running, public int $dropped, public ?int $median, public ?int $ninetieth
    ) {}

    /**
     * Of those that are decided.
     */
    public function share(): ?string
    {
        $decided = $this->kept + $this->missed;

        return $decided === 0 ? null : intdiv($this->kept * 100 + intdiv($decided, 2), $decided).' %';
    }
}
