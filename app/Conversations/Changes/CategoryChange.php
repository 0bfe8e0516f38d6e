<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetCategory;
use App\Sorting\Category;
use Illuminate\Database\Eloquent\Collection;

/**
 * What it is about.
 */
final class CategoryChange extends Change
{
    public function __construct(private readonly SetCategory $set) {}

    public function key(): string
    {
        return 'set_category';
    }

    public function phrase(): string
    {
        return 'set the category to';
    }

    public function group(): string
    {
        return 'Category';
    }

    public function choices(ChangeUse $use): array
    {
        return Category::inUse()->pluck('path', 'id')->all();
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        if ($use === ChangeUse::Hand && $chosen->value === '') {
            return 'none';
        }

        return $things->one(Category::inUse(), $chosen->value)->path ?? throw ChangeRefused::gone('a category', $chosen->value);
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->set->set($conversation, $chosen->value === '' ? null : Category::query()->findOrFail($chosen->id()), $actor, $why);
    }

    public function references(Chosen $chosen): array
    {
        return Reference::toNumber(Category::class, $chosen->value);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->category_id === $chosen->id(), 'it has this category'
        );
    }

    public function records(): array
    {
        return [JournalKind::CategoryChanged];
    }
}
