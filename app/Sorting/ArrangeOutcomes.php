<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\WhatNeeds;

/**
 * Makes, renames, merges and retires outcomes. Resolved conversations keep theirs; one that was merged
 * is counted with the outcome that took it in.
 */
final class ArrangeOutcomes
{
    public function __construct(private WhatNeeds $needs) {}

    /**
     * @throws SortingRefused
     */
    public function save(?Outcome $outcome, string $name, int $position): Outcome
    {
        if (Outcome::query()->where('name', $name)->whereKeyNot($outcome->id ?? 0)->exists()) {
            throw SortingRefused::nameTaken($name);
        }
        $outcome ??= new Outcome;
        $outcome->forceFill(['name' => $name, 'position' => $position])->save();

        return $outcome;
    }

    /**
     * @throws SortingRefused|StillNeeded
     */
    public function merge(Outcome $outcome, Outcome $into): void
    {
        match (true) {
            $outcome->id === $into->id => throw SortingRefused::intoItself($outcome->name),
            $into->retired_at !== null => throw SortingRefused::intoRetired($into->name),
            default => null,
        };
        $this->needs->refuseIfSet($outcome, $outcome->name);
        Outcome::query()->where('merged_into_id', $outcome->id)->update(['merged_into_id' => $into->id]);
        $outcome->forceFill(['merged_into_id' => $into->id, 'retired_at' => now()])->save();
    }

    /**
     * @throws StillNeeded
     */
    public function retire(Outcome $outcome): void
    {
        $this->needs->refuseIfNeeded($outcome, $outcome->name);
        $outcome->forceFill(['retired_at' => now()])->save();
    }

    public function bringBack(Outcome $outcome): void
    {
        $outcome->forceFill(['retired_at' => null, 'merged_into_id' => null])->save();
    }
}
