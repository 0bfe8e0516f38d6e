<?php

declare(strict_types=1);

namespace Cairnfield\Core\Assigning;

/**
 * Somebody to whom something can be given, and how they stand.
 */
final readonly class Candidate
{
    /**
     * @param  int  $weight  from 0; 0 gets none where weights count
     * @param  int  $open  from 0
     * @param  int|null  $cap  so many open at most; null for no limit
     * @param  list<string>  $skills
     * @param  int|null  $lastAssigned  the number of the pick that they had last; null where they had none
     * @param  int  $current  what their weight has added up to
     */
    public function __construct(
        public string|int $id,
        public int $weight = 1,
        public int $open = 0,
        public ?int $cap = null,
        public bool $available = true,
        public array $skills = [],
        public ?int $lastAssigned = null,
        public int $current = 0,
    ) {}

    /**
     * @param  list<string>  $needs
     */
    public function canTake(Method $method, array $needs): bool
    {
        return $this->available
            && array_diff($needs, $this->skills) === []
            && ($this->cap === null || $this->open < $this->cap)
            && ($method !== Method::Weighted || $this->weight > 0);
    }

    /**
     * The same, who can be given nothing just now.
     */
    public function unavailable(): self
    {
        return new self($this->id, $this->weight, $this->open, $this->cap, false, $this->skills, $this->lastAssigned, $this->current);
    }

    public function grown(): self
    {
        return $this->with($this->open, $this->lastAssigned, $this->current + $this->weight);
    }

    /**
     * @param  int  $number  of this pick
     * @param  int  $lowered  by which the weight's sum goes down
     */
    public function given(int $number, int $lowered): self
    {
        return $this->with($this->open + 1, $number, $this->current - $lowered);
    }

    private function with(int $open, ?int $lastAssigned, int $current): self
    {
        return new self($this->id, $this->weight, $open, $this->cap, $this->available, $this->skills, $lastAssigned, $current);
    }
}
