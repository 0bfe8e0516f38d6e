<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\CategoryChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Sorting\Category;
use Illuminate\Support\Facades\DB;

final readonly class SetCategory
{
    public function __construct(private Journal $journal, private BeginAsCategorySays $begin, private AssignConversation $assign) {}

    public function set(Conversation $conversation, ?Category $category, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $category, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->with('category')->findOrFail($conversation->id);
            if ($locked->category_id === $category?->id) {
                return;
            }
            $from = Named::orNone($locked->category_id, $locked->category?->path);
            $locked->forceFill(['category_id' => $category?->id])->save();
            $this->journal->record($locked, new CategoryChanged($from, Named::orNone($category?->id, $category?->path)), $actor, $why);
            // What it begins with, where it is sorted for the first time and nobody has answered yet.
            $isNew = $from === null && $locked->first_replied_at === null;
            $category === null || ! $isNew ?: $this->begin->begin($locked, $category);
            $this->assign->release($locked, $actor);
        });
    }
}
