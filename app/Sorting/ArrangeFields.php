<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\WhatNeeds;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Fields\OwnValue;
use Cairnfield\Core\Text\Folding;
use Illuminate\Support\Str;

/**
 * Makes, renames and retires the store's own fields. What was written in a retired one stays to be read.
 */
final class ArrangeFields
{
    public function __construct(private WhatNeeds $needs) {}

    /**
     * @param  list<string>  $choices
     *
     * @throws SortingRefused
     */
    public function make(About $about, string $name, FieldKind $kind, array $choices, bool $requiredToResolve): OwnField
    {
        $this->refuseName($about, $name, null);
        $field = new OwnField;
        $field->forceFill([
            'about' => $about,
            'name' => $name,
            'word' => $this->word($about, $name),
            'kind' => $kind,
            'choices' => $this->choices($kind, $choices),
            'required_to_resolve' => $requiredToResolve && $about === About::Conversation,
            'position' => (int) OwnField::query()->max('position') + 1,
        ])->save();

        return $field;
    }

    /**
     * @param  list<string>  $choices
     *
     * @throws SortingRefused
     */
    public function change(OwnField $field, string $name, array $choices, bool $requiredToResolve): void
    {
        $this->refuseName($field->about, $name, $field);
        $choices = $this->choices($field->kind, $choices);
        foreach (array_diff($field->choices, $choices) as $gone) {
            $count = OwnValue::query()->where('own_field_id', $field->id)->where('text', $gone)->count();
            if ($count > 0) {
                throw SortingRefused::choiceInUse($gone, $count);
            }
        }
        $field->forceFill([
            'name' => $name, 'choices' => $choices,
            'required_to_resolve' => $requiredToResolve && $field->about === About::Conversation,
        ])->save();
    }

    /**
     * @throws StillNeeded
     */
    public function retire(OwnField $field): void
    {
        $this->needs->refuseIfNeeded($field, $field->name);
        $field->forceFill(['retired_at' => now()])->save();
    }

    public function bringBack(OwnField $field): void
    {
        $field->forceFill(['retired_at' => null])->save();
    }

    private function refuseName(About $about, string $name, ?OwnField $field): void
    {
        if (OwnField::query()->where('about', $about)->where('name', $name)->whereKeyNot($field->id ?? 0)->exists()) {
            throw SortingRefused::nameTaken($name);
        }
    }

    /**
     * @param  list<string>  $choices
     * @return list<string>
     */
    private function choices(FieldKind $kind, array $choices): array
    {
        if (! $kind->hasChoices()) {
            return [];
        }
        $unique = [];
        foreach (array_filter(array_map(trim(...), $choices), static fn (string $choice): bool => $choice !== '') as $choice) {
            $unique[Folding::fold($choice)] ??= mb_substr($choice, 0, 200);
        }

        return count($unique) >= 2 ? array_values($unique) : throw SortingRefused::needsChoices();
    }

    private function word(About $about, string $name): string
    {
        $word = trim((string) preg_replace('/[^a-z0-9]+/', '_', Str::lower(Str::ascii($name))), '_');
        $word = substr($word === '' ? 'field' : $word, 0, 40);
        $taken = OwnField::query()->where('about', $about)->pluck('word')->all();
        for ($number = 2, $free = $word; in_array($free, $taken, true); $number++) {
            $free = "{$word}_{$number}";
        }

        return $free;
    }
}
