<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

/**
 * Those of a place that need things: its rules, templates, plans or views that are on.
 */
interface NeedsThings
{
    /**
     * @return iterable<Need>
     */
    public function needs(): iterable;
}
