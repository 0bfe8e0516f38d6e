<?php

declare(strict_types=1);

namespace App\Nudges;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class NudgesSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Answered, 'Nudge plans', '/nudges', 'Reminders to customers who do not answer, and how they end.',
            ['reminders', 'no answer', 'working days'],
            null,
            static fn (): string => (string) NudgePlan::inUse()->count(),
        )];
    }
}
