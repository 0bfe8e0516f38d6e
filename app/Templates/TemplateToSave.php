<?php

declare(strict_types=1);

namespace App\Templates;

use App\Views\SharedWith;

/**
 * A template as it leaves a form or a file.
 */
final readonly class TemplateToSave
{
    /**
     * @param  array<string, array{subject: string|null, text: string, html: string|null}>  $texts  by language
     * @param  list<int>  $categories
     * @param  list<Step>  $steps
     * @param  int|null  $seen  the version that the form showed; null where nobody looked at one
     */
    public function __construct(
        public string $name,
        public string $folder,
        public SharedWith $sharedWith,
        public ?int $team,
        public array $texts,
        public array $categories,
        public array $steps,
        public ?int $seen = null,
    ) {}
}
