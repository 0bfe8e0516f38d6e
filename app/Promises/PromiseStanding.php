<?php

declare(strict_types=1);

namespace App\Promises;

use DateTimeInterface;

/**
 * How one promise stands: how many of the cairn's four stones are left, and how long there is.
 */
final readonly class PromiseStanding
{
    /**
     * @param  int  $dueAt  in Unix seconds
     * @param  list<int|null>  $stonesFallAt  in Unix seconds
     */
    private function __construct(
        public PromisedKind $kind,
        public int $stones,
        public bool $missed,
        public int $secondsLeft,
        public bool $soon,
        public int $dueAt,
        public array $stonesFallAt,
    ) {}

    /**
     * @param  list<int|null>  $stonesFallAt  when three of the four fall, in Unix seconds
     */
    public static function of(PromisedKind $kind, array $stonesFallAt, DateTimeInterface $dueAt, DateTimeInterface $now): self
    {
        $secondsLeft = $dueAt->getTimestamp() - $now->getTimestamp();
        $missed = $secondsLeft < 0;
        $fallen = count(array_filter($stonesFallAt, static fn (?int $at): bool => $at !== null && $at <= $now->getTimestamp()));
        $stones = $missed ? 0 : 4 - min(3, $fallen);

        return new self($kind, $stones, $missed, $secondsLeft, ! $missed && $secondsLeft <= 3600, $dueAt->getTimestamp(), $stonesFallAt);
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
        $what = ucfirst($this->kind->label());

        return $this->missed
            ? "{$what} missed by ".ltrim($this->timeLeft(), '−')
            : "{$what}: {$this->stones} of 4 stones left, due in {$this->timeLeft()}";
    }
}
