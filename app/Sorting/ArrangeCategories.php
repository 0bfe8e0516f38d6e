<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Actor;
use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\WhatNeeds;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\SetCategory;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Makes, renames, moves, merges and retires categories. What was sorted under one stays so: a
 * conversation that is done keeps the category it had, and is found under the one that took it in.
 */
final readonly class ArrangeCategories
{
    private const DEEPEST = 4;

    public function __construct(
        private SetCategory $setCategory, private WhatNeeds $needs, private ChangeWhoReads $readers, private WhoMayRead $whoMayRead
    ) {}

    /**
     * @param  array{name: string, customer_name: string, parent_id: int|null, position: int, hidden: bool,
     *   responsible_id: int|null, members: list<int>, members_only: bool|null, needs: list<int>,
     *   brings: array<string, mixed>}  $written
     *
     * @throws SortingRefused
     */
    public function save(?Category $category, array $written, Teammate $by): Category
    {
        return DB::transaction(function () use ($category, $written, $by): Category {
            $category ??= new Category;
            $readers = $this->readers->before();
            $parent = $written['parent_id'] === null ? null : Category::query()->findOrFail($written['parent_id']);
            $this->refuseIfImpossible($category, $parent, $written['name']);
            $category->forceFill([
                'name' => $written['name'],
                'customer_name' => $written['customer_name'] === '' ? $written['name'] : $written['customer_name'],
                'parent_id' => $parent?->id,
                'position' => $written['position'],
                'hidden' => $written['hidden'],
                'responsible_id' => $written['responsible_id'],
                'members_only' => $written['members_only'],
                ...$written['brings'],
                'path' => $parent === null ? $written['name'] : "{$parent->path} › {$written['name']}",
            ])->save();
            $category->members()->sync($written['members']);
            $category->needs()->sync($written['needs']);
            $this->renamePathsBelow($category);
            $this->readers->changed($readers, $category, $by);

            return $category;
        });
    }

    /**
     * @throws SortingRefused|StillNeeded
     */
    public function merge(Category $category, Category $into, Actor $actor): void
    {
        DB::transaction(function () use ($category, $into, $actor): void {
            $by = $actor->teammate;
            if ($by !== null && ! $by->role->administers() && ! $this->whoMayRead->mayRead($by->id, $category->id)) {
                throw SortingRefused::forMembersAlone($category->path);
            }
            match (true) {
                $category->id === $into->id => throw SortingRefused::intoItself($category->path),
                $into->retired_at !== null => throw SortingRefused::intoRetired($into->path),
                default => $this->refuseIfInUseBelow($category),
            };
            $this->needs->refuseIfSet($category, $category->path);
            $this->notDone($category)->eachById(
                fn (Conversation $conversation) => $this->setCategory->set(
                    $conversation, $into, $actor, "“{$category->name}” was merged into it"
                )
            );
            // What was merged into it before goes along.
            Category::query()->where('merged_into_id', $category->id)->update(['merged_into_id' => $into->id]);
            $category->forceFill(['merged_into_id' => $into->id, 'retired_at' => now()])->save();
        });
    }

    /**
     * @throws SortingRefused|StillNeeded where categories below it are in use, or something that is on needs it
     */
    public function retire(Category $category): void
    {
        $this->refuseIfInUseBelow($category);
        $this->needs->refuseIfNeeded($category, $category->path);
        $category->forceFill(['retired_at' => now()])->save();
    }

    public function bringBack(Category $category): void
    {
        $category->forceFill(['retired_at' => null, 'merged_into_id' => null])->save();
    }

    /**
     * These categories, all below them, and all that were merged into any of them.
     *
     * @param  list<int>  $ids
     * @return list<int>
     */
    public static function withAllUnder(array $ids): array
    {
        $all = Category::query()->get(['id', 'parent_id', 'merged_into_id']);
        do {
            $before = count($ids);
            $ids = [...$ids, ...$all->filter(static fn (Category $category): bool => ! in_array($category->id, $ids, true)
                && (in_array($category->parent_id, $ids, true) || in_array($category->merged_into_id, $ids, true)))->pluck('id')->all()];
        } while (count($ids) > $before);

        return array_values($ids);
    }

    private function refuseIfImpossible(Category $category, ?Category $parent, string $name): void
    {
        $twin = Category::query()->where('parent_id', $parent?->id)->where('name', $name)->whereKeyNot($category->id ?? 0)->exists();
        if ($twin) {
            throw SortingRefused::nameTaken($name);
        }
        $depth = 1;
        for ($above = $parent; $above !== null; $above = $above->parent()->first()) {
            if ($category->exists && $above->id === $category->id) {
                throw SortingRefused::inACircle($name, (string) $parent?->name);
            }
            $depth++;
        }
        if ($depth > self::DEEPEST) {
            throw SortingRefused::tooDeep(self::DEEPEST);
        }
    }

    private function refuseIfInUseBelow(Category $category): void
    {
        if (Category::inUse()->where('parent_id', $category->id)->exists()) {
            throw SortingRefused::hasChildren($category->path);
        }
    }

    private function renamePathsBelow(Category $category): void
    {
        foreach (Category::query()->where('parent_id', $category->id)->get() as $child) {
            $child->forceFill(['path' => "{$category->path} › {$child->name}"])->save();
            $this->renamePathsBelow($child);
        }
    }

    /**
     * @return \Illuminate\Database\Eloquent\Builder<Conversation>
     */
    private function notDone(Category $category): \Illuminate\Database\Eloquent\Builder
    {
        return Conversation::query()->where('category_id', $category->id)
            ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held]);
    }
}
