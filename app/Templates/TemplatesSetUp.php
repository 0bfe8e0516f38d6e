<?php

declare(strict_types=1);

namespace App\Templates;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;
use App\Store\Store;
use App\Views\SharedWith;

final class TemplatesSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        $language = Store::current()->language;
        $lacking = static fn (): int => Template::query()->whereNull('retired_at')->where('shared_with', '!=', SharedWith::Nobody)
            ->whereDoesntHave('languages', static fn ($text) => $text->where('language', $language))->count();

        return [new SetUpPage(
            SetUpGroup::Answered, 'Templates', '/templates', 'Prepared answers in several languages, with what goes along.',
            ['placeholders', 'languages', 'folders', 'files of a template', 'steps', 'import of templates', 'export of templates'],
            null,
            static fn (): string => (string) Template::query()->whereNull('retired_at')->count(),
            static fn (): ?string => ($count = $lacking()) === 0 ? null : "{$count} without ".locale_get_display_language($language, 'en'),
        )];
    }
}
