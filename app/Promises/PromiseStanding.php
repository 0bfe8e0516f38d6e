<?php

declare(strict_types=1);

namespace App\Promises;

use DateTimeInterface;

/**
 * How one promise stands: how many of the cairn's four stones are left, and how long there is.
 */
final readonly class PromiseStanding
{
    private function __construct(
        public int $stones,
        public bool $missed,
        public int $secondsLeft,
        public bool $soon,
    ) {}

    /**
     * @param  int  $used  open seconds gone by
     * @param  int  $target  open seconds promised
     */
    public static function of(int $used, int $target, DateTimeInterface $dueAt, DateTimeInterface $now): self
    {
        $secondsLeft = $dueAt->getTimestamp() - $now->getTimestamp();
        $missed = $secondsLeft < 0;
        $stones = $missed ? 0 : max(1, 4 - intdiv($used * 4, max(1, $target)));

        return new self($stones, $missed, $secondsLeft, ! $missed && $secondsLeft <= 3600);
    }

    /**
     * `41 min`, `2 h 05`, `5 h`, `3 d`, with a minus sign where the time has passed.
     */
    public function timeLeft(): string
    {
        $minutes = intdiv(abs($this->secondsLeft), 60);
        $sign = $this->missed ? '−' : '';
        $text = match (true) {
            $minutes < 60 && ! $this->missed => "{$minutes} min",
            $minutes >= 48 * 60 => intdiv($minutes, 24 * 60).' d',
            $minutes >= 5 * 60 && $minutes % 60 === 0 => intdiv($minutes, 60).' h',
            default => sprintf('%d h %02d', intdiv($minutes, 60), $minutes % 60),
        };

        return $sign.$text;
    }

    public function describe(): string
    {
        return $this->missed
            ? 'Promise missed by '.ltrim($this->timeLeft(), '−')
            : "{$this->stones} of 4 stones left, due in {$this->timeLeft()}";
    }
}
