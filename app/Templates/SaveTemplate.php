<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\WhatNeeds;
use App\Support\HtmlCleaner;
use App\Team\Teammate;
use App\Views\SharedWith;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Templates\TemplateText;
use Illuminate\Support\Facades\DB;
use Locale;

/**
 * Keeps a template, checked so that it can be filled, and each change as a version. The same again is no change.
 */
final readonly class SaveTemplate
{
    public function __construct(private Placeholders $placeholders, private HtmlCleaner $cleaner, private WhatNeeds $needs) {}

    /**
     * @param  Template|null  $template  null for a new one
     *
     * @throws TemplateProblem
     */
    public function save(?Template $template, TemplateToSave $written, Teammate $teammate): Template
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $written->name));
        $texts = $this->checked($written->texts);
        match (true) {
            $name === '' => throw TemplateProblem::withoutName(),
            $texts === [] && $written->steps === [] => throw TemplateProblem::withoutText(),
            $written->sharedWith === SharedWith::Team && $written->team === null => throw TemplateProblem::noTeam(),
            ! $written->sharedWith->isOpenTo($teammate, $template?->shared_with) => throw TemplateProblem::notForEverybody(),
            default => null,
        };

        return DB::transaction(function () use ($template, $written, $teammate, $name, $texts): Template {
            $kept = $template === null
                ? (new Template)->forceFill(['teammate_id' => $teammate->id, 'version' => 0])
                : Template::query()->lockForUpdate()->findOrFail($template->id);
            if ($template !== null && $written->seen !== null && $written->seen !== $kept->version) {
                throw self::changedMeanwhile($kept);
            }
            $before = $template === null ? null : self::content($kept);
            $kept->forceFill([
                'name' => mb_substr($name, 0, 120),
                'folder' => mb_substr(trim((string) preg_replace('/\s+/u', ' ', $written->folder)), 0, 120),
                'shared_with' => $written->sharedWith,
                'team_id' => $written->sharedWith === SharedWith::Team ? $written->team : null,
                'steps' => array_map(static fn (Step $step): array => $step->toArray(), $written->steps),
            ]);
            $kept->save();
            $kept->categories()->sync($written->categories);
            TemplateLanguage::query()->where('template_id', $kept->id)->delete();
            TemplateLanguage::query()->insert(
                array_map(
                    static fn (string $language, array $text): array => ['template_id' => $kept->id, 'language' => $language, ...$text],
                    array_keys($texts), $texts
                )
            );
            $this->version($kept, $before, $teammate);

            return $kept;
        });
    }

    private static function changedMeanwhile(Template $template): TemplateProblem
    {
        $latest = TemplateVersion::query()->where('template_id', $template->id)->with('teammate')->orderByDesc('version')->first();

        return TemplateProblem::changedMeanwhile($latest?->teammate?->name, $latest?->what);
    }

    /**
     * The same once more under another name, with its files: for the same people, or for oneself where one may not share so.
     */
    public function copy(Template $template, Teammate $teammate): Template
    {
        return DB::transaction(function () use ($template, $teammate): Template {
            $content = self::content($template);
            $copy = (new Template)->forceFill([
                'teammate_id' => $teammate->id, 'version' => 0, 'name' => mb_substr("Copy of {$template->name}", 0, 120),
                'folder' => $template->folder, 'steps' => $template->steps,
                'shared_with' => $template->shared_with->isOpenTo($teammate, null) ? $template->shared_with : SharedWith::Nobody,
                'team_id' => $template->shared_with->isOpenTo($teammate, null) ? $template->team_id : null,
            ]);
            $copy->save();
            $copy->categories()->sync($template->categories->modelKeys());
            foreach ($content['texts'] as $language => $text) {
                TemplateLanguage::query()->insert(['template_id' => $copy->id, 'language' => $language, ...$text]);
            }
            foreach ($template->files as $file) {
                $file->replicate()->forceFill(['template_id' => $copy->id])->save();
            }
            $this->version($copy, null, $teammate);

            return $copy;
        });
    }

    /**
     * A file goes along from now on; one of the same name is replaced in all later answers.
     *
     * @param  array{name: string, type: string, size: int, sha256: string, file: string}  $file  as `KeptFiles` gives it
     */
    public function attach(Template $template, array $file, Teammate $teammate): void
    {
        DB::transaction(function () use ($template, $file, $teammate): void {
            $kept = Template::query()->lockForUpdate()->findOrFail($template->id);
            $before = self::content($kept);
            $row = TemplateFile::query()
                ->where('template_id', $kept->id)
                ->where('name', $file['name'])
                ->first() ?? (new TemplateFile)
                ->forceFill(['template_id' => $kept->id]);
            $row->forceFill([
                'name' => $file['name'], 'media_type' => $file['type'], 'size' => $file['size'], 'sha256' => $file['sha256'],
                'file' => $file['file'],
            ])->save();
            $this->version($kept->unsetRelations(), $before, $teammate);
        });
    }

    public function detach(TemplateFile $file, Teammate $teammate): void
    {
        DB::transaction(function () use ($file, $teammate): void {
            $kept = Template::query()->lockForUpdate()->findOrFail($file->template_id);
            $before = self::content($kept);
            $file->delete();
            $this->version($kept->unsetRelations(), $before, $teammate);
        });
    }

    /**
     * Out of use, with its uses kept; or in use again.
     *
     * @throws StillNeeded when rules or nudge plans write with it
     */
    public function retire(Template $template, bool $isRetired): void
    {
        $isRetired && $this->needs->refuseIfNeeded($template, $template->name);
        $template->forceFill(['retired_at' => $isRetired ? now() : null])->save();
    }

    /**
     * As an earlier version was; that is a new version.
     */
    public function goBackTo(Template $template, TemplateVersion $version, Teammate $teammate): Template
    {
        $content = $version->content;
        [$steps] = Step::possible((array) ($content['steps'] ?? []));

        return $this->save($template, new TemplateToSave(
            (string) $content['name'],
            (string) $content['folder'],
            $template->shared_with,
            $template->team_id,
            (array) $content['texts'],
            array_values(array_map(intval(...), $template->categories()->pluck('categories.id')->all())),
            $steps,
        ), $teammate);
    }

    /**
     * @return array<string, mixed>
     */
    public static function content(Template $template): array
    {
        $template->load(['languages', 'files', 'categories']);

        return [
            'name' => $template->name,
            'folder' => $template->folder,
            'shared_with' => $template->shared_with->value,
            'team' => $template->team_id,
            'categories' => $template->categories->pluck('path')->sort()->values()->all(),
            'texts' => $template->languages->sortBy('language')
                ->mapWithKeys(
                    static fn (TemplateLanguage $in): array => [
                        $in->language => ['subject' => $in->subject, 'text' => $in->text, 'html' => $in->html],
                    ]
                )
                ->all(),
            'steps' => $template->steps,
            'files' => $template->files->sortBy('name')
                ->map(static fn (TemplateFile $file): array => ['name' => $file->name, 'sha256' => $file->sha256])
                ->values()
                ->all(),
        ];
    }

    /**
     * @param  array<string, array{subject: string|null, text: string, html: string|null}>  $texts
     * @return array<string, array{subject: string|null, text: string, html: string|null}>
     */
    private function checked(array $texts): array
    {
        $checked = [];
        foreach ($texts as $language => $text) {
            $language = trim((string) $language);
            $html = trim((string) ($text['html'] ?? '')) === '' ? null : $this->cleaner->clean((string) $text['html']);
            $plain = rtrim(str_replace(["\r\n", "\r"], "\n", $text['text']));
            $subject = trim((string) ($text['subject'] ?? ''));
            if ($plain === '' && $html === null) {
                continue;
            }
            if (
                preg_match(
                    '/^[a-z]{2,3}(-[A-Z]{2}|-[A-Z][a-z]{3})?$/D', $language
                ) !== 1 || Locale::getDisplayLanguage($language, 'en') === $language
            ) {
                throw TemplateProblem::noLanguage($language);
            }
            foreach ([[$plain, false], [$subject, false], [$html ?? '', true]] as [$one, $isHtml]) {
                $this->check($language, $one, $isHtml);
            }
            $checked[$language] = ['subject' => $subject === '' ? null : mb_substr($subject, 0, 300), 'text' => $plain, 'html' => $html];
        }

        return $checked;
    }

    private function check(string $language, string $text, bool $isHtml): void
    {
        try {
            $read = $isHtml ? TemplateText::ofHtml($text) : TemplateText::ofText($text);
        } catch (TemplateRefused $why) {
            throw TemplateProblem::text($language, $why);
        }
        foreach ($read->placeholders() as $placeholder) {
            foreach ($placeholder->names as $name) {
                if (! $this->placeholders->has($name)) {
                    throw TemplateProblem::unknownPlaceholder($language, $name, $placeholder->at, $this->placeholders->nearest($name));
                }
            }
        }
    }

    /**
     * @param  array<string, mixed>|null  $before
     */
    private function version(Template $template, ?array $before, Teammate $teammate): void
    {
        $content = self::content($template);
        $changed = $before === null
            ? ['made']
            : array_keys(
                array_filter(
                    $content, static fn (mixed $value, string $key): bool => $value !== ($before[$key] ?? null),
                    ARRAY_FILTER_USE_BOTH
                )
            );
        if ($changed === []) {
            return;
        }
        $template->forceFill(['version' => $template->version + 1])->save();
        (new TemplateVersion)->forceFill([
            'template_id' => $template->id,
            'version' => $template->version,
            'teammate_id' => $teammate->id,
            'content' => $content,
            'what' => $before === null
                ? 'made'
                : implode(
                    ', ',
                    array_map(
                        fn (string $part): string => $part === 'texts'
                            ? $this->languagesChanged($before['texts'], $content['texts'])
                            : str_replace(['shared_with'], ['who sees it'], $part),
                        $changed
                    )
                ),
            'at' => now(),
        ])->save();
    }

    /**
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     */
    private function languagesChanged(array $before, array $after): string
    {
        $languages = array_values(
            array_filter(
                array_unique([...array_keys($before), ...array_keys($after)]),
                static fn (string $language): bool => ($before[$language] ?? null) !== ($after[$language] ?? null)
            )
        );

        return 'text in '.implode(
            ' and ',
            array_map(static fn (string $language): string => (string) Locale::getDisplayLanguage($language, 'en'), $languages)
        );
    }
}
