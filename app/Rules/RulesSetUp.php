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
        $kept = static fn () => Rule::query()->whereNull('retired_at');
        $failing = static fn () => RuleRun::query()->where('state', RuleRun::FAILED)->where('at', '>', now()->subDay());

        return [
            new SetUpPage(
                SetUpGroup::Answered, 'Rules', '/rules', 'What happens by itself, in which order, and why.',
                ['when this happens', 'ladder', 'conditions', 'answers by rule', 'limit of answers', 'escalation'],
                null,
                static fn (): string => $kept()->where('on', true)->count().' on',
                static fn (): ?string => match (true) {
                    ($stopped = $kept()->whereNotNull('stopped_at')->count()) > 0 => "{$stopped} wait for a word",
                    ($failed = $failing()->count()) > 0 => "{$failed} failed in a day",
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
