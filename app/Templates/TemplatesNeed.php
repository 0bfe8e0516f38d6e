<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Changes\Need;
use App\Conversations\Changes\NeedsThings;

/**
 * What the steps of templates in use need.
 */
final class TemplatesNeed implements NeedsThings
{
    public function needs(): iterable
    {
        foreach (Template::query()->whereNull('retired_at')->orderBy('name')->get() as $template) {
            $sets = array_merge(...array_map(
                static fn (array $step): array => Step::referencesOf($step['do'], $step['value']), $template->steps
            ), ...[[]]);
            yield new Need("the template “{$template->name}”", array_values($sets));
        }
    }
}
