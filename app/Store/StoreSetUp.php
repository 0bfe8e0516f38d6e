<?php

declare(strict_types=1);

namespace App\Store;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final readonly class StoreSetUp implements ContributesSetUpPages
{
    public function __construct(private BeginSteps $steps) {}

    public function pages(): array
    {
        $open = fn (): int => count(array_filter($this->steps->all(), static fn (bool $isDone): bool => ! $isDone));

        $pages = [
            new SetUpPage(
                SetUpGroup::Store, 'The store', '/store', 'Name, country, languages, currency and time zone.',
                ['store name', 'country', 'language', 'currency', 'time zone'],
                'administer',
                static fn (): string => Store::current()->name,
            ),
        ];

        return ! $this->steps->isBegun() ? $pages : [
            ...$pages,
            new SetUpPage(
                SetUpGroup::Store, 'Begin', '/begin', 'What a new store goes through: a first set, a first way in, people.',
                ['first steps', 'first set', 'ready-made categories'],
                'administer',
                wants: static fn (): ?string => ($left = $open()) === 0 ? null : "{$left} to do",
            ),
        ];
    }
}
