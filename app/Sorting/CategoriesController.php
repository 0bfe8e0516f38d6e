<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Conversation;
use App\Team\SignedIn;
use App\Team\Skill;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

final readonly class CategoriesController
{
    use SortsThings;

    public function __construct(private ArrangeCategories $arrange, private WhoMayRead $whoMayRead) {}

    public function index(): View
    {
        return view('sorting.categories', [
            'categories' => $this->inTreeOrder(Category::inUse()->with(['responsible', 'members'])->get()->all()),
            'retired' => Category::query()->whereNotNull('retired_at')->orderBy('path')->get(),
            'closed' => array_keys($this->whoMayRead->all()),
            'counts' => Conversation::readable()
                ->whereNotNull('category_id')
                ->groupBy('category_id')
                ->selectRaw('category_id, COUNT(*) AS count')
                ->pluck('count', 'category_id'),
            'teammates' => Teammate::query()->orderBy('name')->get(),
            ...self::brought(),
            'category' => null,
        ]);
    }

    public function edit(Category $category): View
    {
        return view('sorting.category', [
            'category' => $category->load(['members', 'needs']),
            'categories' => $this->inTreeOrder(Category::inUse()->get()->all()),
            'teammates' => Teammate::query()->orderBy('name')->get(),
            ...self::brought(),
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
            'brings_team' => ['nullable', 'integer', 'exists:teams,id'],
            'brings_priority' => ['nullable', Rule::enum(Priority::class)],
            'brings_checklist' => ['nullable', 'integer', 'exists:checklists,id'],
            'gives_out' => ['nullable', 'boolean'],
            'members_only' => ['nullable', 'boolean'],
            'receipt' => ['nullable', 'string', 'max:1000'],
        ]);

        return $this->attempt(fn () => $this->arrange->save($category, [
            'name' => trim($written['name']),
            'customer_name' => trim((string) ($written['customer_name'] ?? '')),
            'parent_id' => isset($written['parent']) ? (int) $written['parent'] : null,
            'position' => (int) ($written['position'] ?? $category->position ?? (int) Category::query()->max('position') + 1),
            'hidden' => $request->boolean('hidden'),
            'responsible_id' => isset($written['responsible']) ? (int) $written['responsible'] : null,
            'members' => array_map(intval(...), array_values($written['members'] ?? [])),
            'members_only' => isset($written['members_only']) ? (bool) $written['members_only'] : null,
            'needs' => Skill::named((string) ($written['needs'] ?? '')),
            'brings' => [
                'brings_team_id' => isset($written['brings_team']) ? (int) $written['brings_team'] : null,
                'brings_priority' => $written['brings_priority'] ?? null,
                'brings_checklist_id' => isset($written['brings_checklist']) ? (int) $written['brings_checklist'] : null,
                'gives_out' => isset($written['gives_out']) ? (bool) $written['gives_out'] : null,
                'receipt' => trim((string) ($written['receipt'] ?? '')) === '' ? null : trim((string) $written['receipt']),
            ],
        ], SignedIn::teammate($request)), '/sorting/categories', 'Saved.');
    }

    /**
     * What a category can bring along.
     *
     * @return array<string, mixed>
     */
    private static function brought(): array
    {
        return [
            'teams' => Team::query()->orderBy('name')->pluck('name', 'id'),
            'checklists' => DB::table('checklists')->whereNull('retired_at')->orderBy('name')->pluck('name', 'id'),
        ];
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
