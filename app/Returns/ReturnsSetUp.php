<?php

declare(strict_types=1);

namespace App\Returns;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class ReturnsSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::Answered, 'Return policies', '/return-policies', 'What may come back, until when, and what is given for it.',
            ['returns', 'reasons', 'fee', 'label', 'deduction', 'inspection', 'bench', 'money back'],
            'arrange',
            static fn (): string => trans_choice('{1} one reason|[2,*] :count reasons', ReturnReason::inUse()->count()),
            static fn (): ?string => ReturnReason::inUse()->exists() ? null : 'nothing can come back without one',
        )];
    }
}
