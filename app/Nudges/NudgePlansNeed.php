<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Conversations\Changes\Need;
use App\Conversations\Changes\NeedsThings;
use App\Conversations\Changes\Reference;
use App\Sorting\Outcome;
use App\Templates\Template;

/**
 * What nudge plans in use need: the templates that they remind and end with, and the outcome at the end.
 */
final class NudgePlansNeed implements NeedsThings
{
    public function needs(): iterable
    {
        foreach (NudgePlan::inUse()->get() as $plan) {
            $templates = array_filter([...array_column($plan->steps, 'template'), $plan->end_template_id]);
            yield new Need("the nudge plan “{$plan->name}”", [
                ...array_map(static fn (int $id): Reference => new Reference(Template::class, (string) $id), array_values($templates)),
                ...Reference::toNumber(Outcome::class, (string) $plan->end_outcome_id),
            ]);
        }
    }
}
