<?php

declare(strict_types=1);

namespace App\Customers;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class CustomersSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Sorted, 'Customer groups', '/customer-groups', 'Who belongs together, by conditions, and who comes first.',
            ['wholesale', 'regulars', 'first in the queue'],
            null,
            static fn (): string => (string) CustomerGroup::query()->count(),
        )];
    }
}
