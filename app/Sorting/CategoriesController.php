<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Conversation;
use App\Team\Skill;
use App\Team\Teammate;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class CategoriesController
{
    use SortsThings;

    public function __construct(private ArrangeCategories $arrange) {}

    public function index(): View
    {
        return view('sorting.categories', [
            'categories' => $this->inTreeOrder(Category::inUse()->with(['responsible', 'members'])->get()->all()),
            'retired' => Category::query()->whereNotNull('retired_at')->orderBy('path')->get(),
            'counts' => Conversation::query()
                ->whereNotNull('category_id')
                ->groupBy('category_id')
                ->selectRaw('category_id, COUNT(*) AS count')
                ->pluck('count', 'category_id'),
            'teammates' => Teammate::query()->orderBy('name')->get(),
            'category' => null,
        ]);
    }

    public function edit(Category $category): View
    {
        return view('sorting.category', [
            'category' => $category->load(['members', 'needs']),
            'categories' => $this->inTreeOrder(Category::inUse()->get()->all()),
            'teammates' => Teammate::query()->orderBy('name')->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        return $this->save($request, null);
    }

    public function update(Request $request, Category $category): RedirectResponse
    {
        return $this->save($request, $category);
    }

    public function merge(Request $request, Category $category): RedirectResponse
    {
        $into = Category::query()->findOrFail(
            (int) $request->validate(['into' => ['required', 'integer', 'exists:categories,id']])['into']
        );

        return $this->attempt(
            fn () => $this->arrange->merge($category, $into, $this->actor($request)), '/sorting/categories',
            "“{$category->path}” is part of “{$into->path}” now."
        );
    }

    public function retire(Category $category): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->retire($category), '/sorting/categories',
            "“{$category->path}” is retired: nobody is offered it, and what has it keeps it."
        );
    }

    public function bringBack(Category $category): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->bringBack($category), '/sorting/categories', "“{$category->path}” can be chosen again."
        );
    }

    private function save(Request $request, ?Category $category): RedirectResponse
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:80', 'not_regex:/›/u'],
            'customer_name' => ['nullable', 'string', 'max:80'],
            'parent' => ['nullable', 'integer', 'exists:categories,id'],
            'position' => ['nullable', 'integer', 'min:0', 'max:10000'],
            'responsible' => ['nullable', 'integer', 'exists:teammates,id'],
            'members' => ['array'],
            'members.*' => ['integer', 'exists:teammates,id'],
            'needs' => ['nullable', 'string', 'max:600'],
        ]);

        return $this->attempt(fn () => $this->arrange->save($category, [
            'name' => trim($written['name']),
            'customer_name' => trim((string) ($written['customer_name'] ?? '')),
            'parent_id' => isset($written['parent']) ? (int) $written['parent'] : null,
            'position' => (int) ($written['position'] ?? $category->position ?? (int) Category::query()->max('position') + 1),
            'hidden' => $request->boolean('hidden'),
            'responsible_id' => isset($written['responsible']) ? (int) $written['responsible'] : null,
            'members' => array_map(intval(...), array_values($written['members'] ?? [])),
            'needs' => Skill::named((string) ($written['needs'] ?? '')),
        ]), '/sorting/categories', 'Saved.');
    }

    /**
     * @param  array<Category>  $categories
     * @return list<array{Category, int}> each with its depth, those below it right after it
     */
    private function inTreeOrder(array $categories, ?int $below = null, int $depth = 0): array
    {
        $known = array_map(static fn (Category $category): int => $category->id, $categories);
        $ordered = [];
        foreach ($categories as $category) {
            $isHere = $category->parent_id === $below || ($below === null && ! in_array($category->parent_id, $known, true));
            if ($isHere) {
                $ordered = [...$ordered, [$category, $depth], ...$this->inTreeOrder($categories, $category->id, $depth + 1)];
            }
        }

        return $ordered;
    }
}
