<?php

declare(strict_types=1);

namespace App\Promises;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;
use App\Support\StoreSettings;

final readonly class PromisesSetUp implements ContributesSetUpPages
{
    public function __construct(private StoreSettings $settings) {}

    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Answered, 'Promises', '/promises', 'How soon customers are answered: first reply, next reply, update, resolve.',
            ['SLA', 'service level', 'first reply', 'next reply', 'time to answer', 'deadline', 'warning', 'missed', 'target'],
            'arrange',
            static fn (): string => trans_choice('{0} nothing is promised|{1} one set|[2,*] :count sets', PromiseSet::inOrder()->count()),
            fn (): ?string => ($count = (int) ($this->settings->get(CheckPromises::REPORT)['count'] ?? 0)) === 0
                ? null
                : "{$count} stored otherwise than the journal says",
        )];
    }
}
