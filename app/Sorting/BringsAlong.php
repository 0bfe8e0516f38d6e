<?php

declare(strict_types=1);

namespace App\Sorting;

use Cairnfield\Core\Queue\Priority;

/**
 * What a new matter of a category begins with: what it says itself, else what the nearest above it says.
 */
final readonly class BringsAlong
{
    private function __construct(
        public ?int $team, public ?Priority $priority, public ?int $checklist, public bool $givesOut, public string $receipt
    ) {}

    public static function of(?Category $category): self
    {
        $team = $priority = $checklist = $givesOut = $receipt = null;
        for ($at = $category, $seen = []; $at !== null && ! isset($seen[$at->id]); $at = $above) {
            $seen[$at->id] = true;
            $team ??= $at->brings_team_id;
            $priority ??= $at->brings_priority;
            $checklist ??= $at->brings_checklist_id;
            $givesOut ??= $at->gives_out;
            $receipt ??= $at->receipt;
            $above = $at->parent_id === null ? null : Category::query()->find($at->parent_id);
        }

        return new self($team, $priority, $checklist, (bool) $givesOut, (string) $receipt);
    }

    public function isNothing(): bool
    {
        return $this->team === null && $this->priority === null && $this->checklist === null && ! $this->givesOut;
    }
}
