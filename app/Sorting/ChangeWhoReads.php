<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Support\RandomUuid;
use App\Support\SecurityLog;
use App\Team\Teammate;

/**
 * What it takes that other people read a category's conversations than before: who may say so, that those who read them learn of it,
 * and that nothing lies with somebody who does not see it.
 */
final readonly class ChangeWhoReads
{
    public function __construct(private WhoMayRead $whoMayRead, private AssignConversation $assign, private Notify $tell) {}

    /**
     * As it is now, to be compared with.
     *
     * @return array<int, list<int>> people by category
     */
    public function before(): array
    {
        $this->whoMayRead->forget();

        return $this->whoMayRead->all();
    }

    /**
     * In the transaction of the change.
     *
     * @param  array<int, list<int>>  $before
     *
     * @throws SortingRefused where nobody would read it, or somebody else opens to themselves what is for members alone
     */
    public function changed(array $before, Category $category, Teammate $by): void
    {
        $this->whoMayRead->forget();
        $after = $this->whoMayRead->all();
        $others = array_filter(
            array_unique([...array_keys($before), ...array_keys($after)]),
            static fn (int $id): bool => ($before[$id] ?? null) != ($after[$id] ?? null)
        );
        $this->refuse(match (true) {
            $category->members_only === true && ! $this->whoMayRead->hasMembers($category->id) => SortingRefused::noMembers(
                $category->name
            ),
            ! $by->role->administers() && array_filter(
                $others, static fn (int $id): bool => isset($before[$id]) && ! in_array($by->id, $before[$id], true)
            ) !== [] => SortingRefused::forMembersAlone($category->path),
            default => null,
        });
        if ($others !== []) {
            SecurityLog::note('category.readers', ['category' => $category->id, 'person' => $by->id]);
            $this->tellThoseBefore($before, array_values($others), $by);
            $this->release(array_values($others));
        }
    }

    /**
     * Whatever lies with somebody who does not see it: they were given it in the moment in which it was closed to them, or may not sign
     * in any more. Safe to repeat.
     */
    public function releaseAll(): void
    {
        $this->release(array_keys($this->before()));
    }

    /**
     * With what is undone by it, what was read of it is forgotten.
     */
    private function refuse(?SortingRefused $why): void
    {
        if ($why !== null) {
            $this->whoMayRead->forget();
            throw $why;
        }
    }

    /**
     * @param  array<int, list<int>>  $before
     * @param  list<int>  $categories
     */
    private function tellThoseBefore(array $before, array $categories, Teammate $by): void
    {
        foreach (Category::query()->whereKey($categories)->get() as $category) {
            $people = Teammate::query()->whereKey($before[$category->id] ?? [])->whereKeyNot($by->id)->get()->all();
            $this->tell->people(
                array_values($people), NewsKind::Installation, 'readers-'.RandomUuid::make(),
                "{$by->name} has changed who reads the conversations of “{$category->path}”.", null
            );
        }
    }

    /**
     * @param  list<int>  $categories
     */
    private function release(array $categories): void
    {
        foreach ($categories as $id) {
            $readers = $this->whoMayRead->of($id);
            $readers === null ?: Conversation::query()->where('category_id', $id)->whereNull('joined_into_id')
                ->whereNot('state', ConversationState::Closed)
                ->whereNotNull('owner_id')->whereNotIn('owner_id', $readers)
                ->eachById(fn (Conversation $conversation) => $this->assign->release($conversation, Actor::application()));
        }
    }
}
