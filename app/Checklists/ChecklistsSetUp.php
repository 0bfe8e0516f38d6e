<?php

declare(strict_types=1);

namespace App\Checklists;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class ChecklistsSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Sorted, 'Checklists', '/sorting/checklists', 'Steps to go through for one kind of matter.',
            ['steps'],
            'arrange',
            static fn (): string => (string) Checklist::inUse()->count(),
        )];
    }
}
