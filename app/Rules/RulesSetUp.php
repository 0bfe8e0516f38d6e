<?php

declare(strict_types=1);

namespace App\Rules;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class RulesSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        return [
            new SetUpPage(
                SetUpGroup::Answered, 'Rules', '/rules', 'What happens by itself, in which order, and why.',
                ['when this happens', 'ladder', 'conditions', 'answers by rule', 'limit of answers', 'escalation'],
                null,
                static fn (): string => Rule::query()->whereNull('retired_at')->where('on', true)->count().' on',
                static fn (): ?string => match (true) {
                    ($stopped = Rule::query()->whereNull('retired_at')->whereNotNull('stopped_at')->count()) > 0 => "{$stopped} wait for a word",
                    ($failed = RuleRun::query()->where('state', RuleRun::FAILED)->where('at', '>', now()->subDay())->count()) > 0 => "{$failed} failed in a day",
                    default => null,
                },
            ),
            new SetUpPage(
                SetUpGroup::Answered, 'Addresses told by rules', '/rules/hooks', 'Where rules send word to, each call signed.',
                ['webhook', 'hooks', 'secret'],
                'administer',
            ),
        ];
    }
}
