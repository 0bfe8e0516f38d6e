<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use App\Support\LocalTime;
use DateTimeInterface;

/**
 * Around the sentence of an entry: who did it, why, and the time of whoever reads it.
 */
final readonly class Told
{
    /**
     * @param  string|null  $who  a person, or a rule; null where nobody is named
     * @param  string|null  $rule  the rule that did it
     */
    public function __construct(public ?string $who, public ?string $rule, public string $why, private LocalTime $time) {}

    public function by(string $what): string
    {
        return $this->who === null ? $what : "{$what} by {$this->who}";
    }

    public function time(DateTimeInterface $at): string
    {
        return $this->time->short($at);
    }
}
