<?php

declare(strict_types=1);

namespace App\Sorting;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class SortingSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [
            new SetUpPage(
                SetUpGroup::Sorted, 'Categories', '/sorting/categories', 'What conversations are about, inside and for customers.',
                ['tree', 'name that customers see', 'merge categories'],
                'arrange',
                static fn (): string => (string) Category::inUse()->count(),
                static fn (): ?string => Category::inUse()->exists() ? null : 'there are none yet',
            ),
            new SetUpPage(
                SetUpGroup::Sorted, 'Outcomes', '/sorting/outcomes', 'Why conversations were resolved.',
                ['resolve', 'merge outcomes'],
                'arrange',
                static fn (): string => (string) Outcome::inUse()->count(),
                static fn (): ?string => Outcome::inUse()->exists() ? null : 'nothing can be resolved without one',
            ),
            new SetUpPage(
                SetUpGroup::Sorted, 'Tags', '/sorting/tags', 'Words that conversations are marked with.',
                ['labels', 'merge tags'],
                'arrange',
                static fn (): string => (string) Tag::inUse()->count(),
            ),
        ];
    }
}
