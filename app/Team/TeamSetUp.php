<?php

declare(strict_types=1);

namespace App\Team;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class TeamSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::HandedOut, 'Teams', '/sorting/teams', 'Who works in which team, who is away, and whose turn it is.',
            ['away', 'availability', 'turns', 'weights', 'languages spoken'],
            'arrange',
            static fn (): string => trans_choice(
                '{1} one person|[2,*] :count people', Teammate::query()->where('may_sign_in', true)->count()
            ).', '.trans_choice('{0} no team|{1} one team|[2,*] :count teams', Team::query()->count()),
        )];
    }
}
