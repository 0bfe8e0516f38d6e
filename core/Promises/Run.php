<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use DateTimeImmutable;

/**
 * One stretch of time in which the clock of a promise ran without a pause.
 */
final readonly class Run
{
    /**
     * @param  DateTimeImmutable|null  $to  null while it runs
     */
    public function __construct(public DateTimeImmutable $from, public ?DateTimeImmutable $to = null) {}

    public function ended(DateTimeImmutable $at): self
    {
        return new self($this->from, $at);
    }
}
