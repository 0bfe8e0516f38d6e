<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Changes\WhatNeeds;
use App\Sorting\Category;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class ChecklistsController
{
    public function index(): View
    {
        return view('sorting.checklists', [
            'checklists' => Checklist::inUse()->with('category')->get(),
            'retired' => Checklist::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'categories' => Category::inUse()->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        return $this->save($request, new Checklist);
    }

    public function update(Request $request, Checklist $checklist): RedirectResponse
    {
        return $this->save($request, $checklist);
    }

    public function retire(Checklist $checklist, WhatNeeds $needs): RedirectResponse
    {
        $needs->refuseIfNeeded($checklist, $checklist->name);
        $checklist->forceFill(['retired_at' => now()])->save();

        return redirect('/sorting/checklists')->with('done', "“{$checklist->name}” is retired. Where it was started it stays.");
    }

    public function bringBack(Checklist $checklist): RedirectResponse
    {
        $checklist->forceFill(['retired_at' => null])->save();

        return redirect('/sorting/checklists')->with('done', "“{$checklist->name}” can be started again.");
    }

    private function save(Request $request, Checklist $checklist): RedirectResponse
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:80', Rule::unique('checklists', 'name')->ignore($checklist->id)],
            'category' => ['nullable', 'integer', 'exists:categories,id'],
            'steps' => ['required', 'string', 'max:10000'],
        ]);
        $steps = array_values(
            array_filter(
                array_map(static fn (string $step): string => mb_substr(trim($step), 0, 300), explode("\n", $written['steps'])),
                static fn (string $step): bool => $step !== ''
            )
        );
        if ($steps === []) {
            return back()->withInput()->with('problem', 'Write the steps, one on each line.');
        }
        $checklist->forceFill([
            'name' => trim($written['name']), 'category_id' => isset($written['category']) ? (int) $written['category'] : null,
            'steps' => $steps,
        ])->save();

        return redirect('/sorting/checklists')->with('done', 'Saved. Where it is started already, its steps stay as they were.');
    }
}
