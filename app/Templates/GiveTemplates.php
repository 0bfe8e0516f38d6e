<?php

declare(strict_types=1);

namespace App\Templates;

use App\Sorting\Category;
use App\Support\SpreadsheetCell;
use LogicException;

/**
 * Templates as a file: CSV (RFC 4180) with one line for each language, or JSON with one object for each template.
 */
final class GiveTemplates
{
    public const COLUMNS = ['name', 'folder', 'shared_with', 'team', 'categories', 'language', 'subject', 'text', 'html', 'steps'];

    /**
     * @param  list<Template>  $templates
     */
    public function csv(array $templates): string
    {
        $file = fopen('php://temp', 'w+b') ?: throw new LogicException('No memory to write a file into.');
        fputcsv($file, self::COLUMNS, ',', '"', '', "\r\n");
        foreach ($templates as $template) {
            $one = $this->one($template);
            foreach (
                $one['texts'] === [] ? ['' => ['subject' => null, 'text' => '', 'html' => null]] : $one['texts'] as $language => $text
            ) {
                fputcsv($file, array_map(static fn (?string $cell): string => SpreadsheetCell::write((string) $cell), [
                    $one['name'], $one['folder'], $one['shared_with'], $one['team'], implode(' | ', $one['categories']), $language,
                    $text['subject'],
                    $text['text'],
                    $text['html'],
                    $one['steps'] === []
                        ? ''
                        : json_encode($one['steps'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
                ]), ',', '"', '', "\r\n");
            }
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    /**
     * @param  list<Template>  $templates
     */
    public function json(array $templates): string
    {
        return json_encode(
            ['templates' => array_map($this->one(...), $templates)],
            JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR
        )."\n";
    }

    /**
     * @return array{name: string, folder: string, shared_with: string, team: string|null, categories: list<string>,
     *   texts: array<string, array{subject: string|null, text: string, html: string|null}>, steps: list<array{do: string, value: string}>}
     */
    private function one(Template $template): array
    {
        return [
            'name' => $template->name,
            'folder' => $template->folder,
            'shared_with' => $template->shared_with->value,
            'team' => $template->team?->name,
            'categories' => array_values(
                $template->categories->map(static fn (Category $category): string => $category->path)->sort()->all()
            ),
            'texts' => $template->languages->sortBy('language')
                ->mapWithKeys(
                    static fn (TemplateLanguage $in): array => [
                        $in->language => ['subject' => $in->subject, 'text' => $in->text, 'html' => $in->html],
                    ]
                )
                ->all(),
            'steps' => $template->steps,
        ];
    }
}
