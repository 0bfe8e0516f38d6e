<?php

declare(strict_types=1);

namespace App\Approvals;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class ApprovalsSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Answered, 'Limits', '/approval-limits', 'How much each role gives back by itself, and whose yes more needs.',
            ['approvals', 'refunds', 'goodwill', 'second person'],
            'administer',
        )];
    }
}
