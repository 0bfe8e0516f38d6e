<?php

declare(strict_types=1);

namespace App\Routing;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final readonly class RoutingSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::HandedOut, 'Routing', '/routing', 'Where what comes in goes, drawn as it stands, and tried with a message.',
            ['routing', 'distribution', 'assignment', 'try a message', 'which team'],
            'arrange',
        )];
    }
}
