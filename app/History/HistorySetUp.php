<?php

declare(strict_types=1);

namespace App\History;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class HistorySetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Store, 'Import and export', '/history', 'Earlier conversations in and out, as files in open formats.',
            ['mbox', 'eml', 'CSV', 'JSON', 'history'],
            'administer',
        )];
    }
}
