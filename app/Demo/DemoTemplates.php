<?php

declare(strict_types=1);

namespace App\Demo;

use App\Checklists\Checklist;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;

/**
 * The demo store's prepared answers.
 */
final readonly class DemoTemplates
{
    public function __construct(private SaveTemplate $save) {}

    public function load(): void
    {
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
        foreach (require database_path('seeders/demo-templates.php') as $name => [$folder, $categories, $steps, $texts]) {
            $this->save->save(null, new TemplateToSave(
                (string) $name,
                $folder,
                SharedWith::Everybody,
                null,
                array_map(static fn (string $text): array => ['subject' => null, 'text' => $text, 'html' => null], $texts),
                array_map(
                    static fn (string $category): int => Category::query()
                        ->whereNotNull('parent_id')
                        ->where('name', $category)
                        ->firstOrFail()
                        ->id,
                    $categories
                ),
                array_map($this->step(...), $steps),
            ), $mads);
        }
    }

    private function step(string $written): Step
    {
        [$do, $value] = explode('=', $written, 2);
        [$first, $rest] = [...explode(':', $value, 2), ''];

        return Step::of($do, match (true) {
            $do === 'then' && $rest !== '' => "{$first}:".Outcome::query()->where('name', $rest)->firstOrFail()->id,
            $do === 'checklist' => (string) Checklist::query()->where('name', $value)->firstOrFail()->id,
            default => $value,
        });
    }
}
