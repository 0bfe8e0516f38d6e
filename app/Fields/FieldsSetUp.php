<?php

declare(strict_types=1);

namespace App\Fields;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class FieldsSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Sorted, 'Own fields', '/sorting/fields',
            'What else the store wants to know of conversations, customers, companies and orders.',
            ['custom fields', 'required to resolve', 'asked in the form'],
            'arrange',
            static fn (): string => (string) OwnField::inUse()->count(),
        )];
    }
}
