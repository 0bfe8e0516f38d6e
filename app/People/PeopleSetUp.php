<?php

declare(strict_types=1);

namespace App\People;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;
use App\Team\Teammate;

final class PeopleSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::HandedOut, 'People', '/people', 'Who may sign in, and as what: invite, change, deactivate.',
            ['invite', 'role', 'password', 'signed in', 'deactivate', 'administrator'],
            'administer',
            static fn (): string => trans_choice(
                '{1} one person|[2,*] :count people', Teammate::query()->where('may_sign_in', true)->count()
            ),
            static function (): ?string {
                $invited = Teammate::query()->where('may_sign_in', true)->whereNull('password_chosen_at')->count();

                return $invited === 0 ? null : "{$invited} invited, not here yet";
            },
        )];
    }
}
