<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Changes\Change;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Sorting\Tag;
use App\Team\Teammate;
use App\Templates\Template;

/**
 * What can be done with many at once, as it stands in the form.
 */
final readonly class BulkChoices
{
    private const MOST_TEMPLATES = 200;

    public function __construct(private Changes $changes) {}

    /**
     * @param  bool  $mayAnswer  whether they write to customers
     * @return array<string, array<string, string>> by group, `key:value` and its label
     */
    public function of(Teammate $teammate, bool $mayAnswer): array
    {
        $groups = [];
        foreach ($this->changes->offeredTo(ChangeUse::Bulk) as $key => $change) {
            if ($mayAnswer || ! $change->isForThoseWhoAnswer()) {
                $groups[$change->group()] = [...$groups[$change->group()] ?? [], ...$this->ofChange($key, $change)];
            }
        }
        if ($mayAnswer) {
            $groups['Answer all with'] = ['answer:' => 'one text …', ...$this->templates($teammate)];
        }

        return array_filter($groups);
    }

    /**
     * @return array<string, string>
     */
    private function ofChange(string $key, Change $change): array
    {
        $choices = match (true) {
            $change->hasChoices() => $change->choices(ChangeUse::Bulk),
            // Those that there are can be taken away; one that is given may be new.
            $key === 'remove_tag' => Tag::inUse()->pluck('name', 'name')->map(static fn (string $name): string => "“{$name}”")->all(),
            default => ['' => ''],
        };
        $all = [];
        foreach ($choices as $value => $label) {
            $asksText = $key !== 'remove_tag' && $change->takesText((string) $value);
            $all["{$key}:{$value}"] = trim("{$change->phrase()} {$label}").($asksText ? ' …' : '');
        }

        return $all;
    }

    /**
     * @return array<string, string>
     */
    private function templates(Teammate $teammate): array
    {
        return Template::seenBy($teammate)
            ->whereNull('retired_at')
            ->orderBy('folder')
            ->orderBy('name')
            ->limit(self::MOST_TEMPLATES)
            ->get(['id', 'name'])
            ->mapWithKeys(static fn (Template $template): array => ["template:{$template->id}" => $template->name])
            ->all();
    }
}
