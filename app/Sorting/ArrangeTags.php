<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Actor;
use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\WhatNeeds;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use Cairnfield\Core\Text\Folding;
use Illuminate\Support\Facades\DB;

/**
 * Renames, merges and retires tags. Conversations that are done keep what they were tagged with, and
 * are found under the tag that took it in.
 */
final readonly class ArrangeTags
{
    public function __construct(private ChangeTags $changeTags, private WhatNeeds $needs) {}

    /**
     * @throws SortingRefused
     */
    public function rename(Tag $tag, string $name): void
    {
        $folded = Folding::fold($name);
        if ($folded === '' || Tag::query()->where('folded', $folded)->whereKeyNot($tag->id)->exists()) {
            throw SortingRefused::nameTaken($name);
        }
        $tag->forceFill(['name' => $name, 'folded' => $folded])->save();
    }

    /**
     * @throws SortingRefused
     */
    public function merge(Tag $tag, Tag $into, Actor $actor): void
    {
        match (true) {
            $tag->id === $into->id => throw SortingRefused::intoItself($tag->name),
            $into->retired_at !== null => throw SortingRefused::intoRetired($into->name),
            default => null,
        };
        DB::transaction(function () use ($tag, $into, $actor): void {
            Conversation::query()->whereHas('tags', static fn ($tags) => $tags->whereKey($tag->id))
                ->whereIn('state', [ConversationState::Open, ConversationState::Waiting, ConversationState::Held])
                ->eachById(
                    fn (Conversation $conversation) => $this->changeTags->change(
                        $conversation, [$into], [$tag], $actor, "“{$tag->name}” was merged into it"
                    )
                );
            Tag::query()->where('merged_into_id', $tag->id)->update(['merged_into_id' => $into->id]);
            $tag->forceFill(['merged_into_id' => $into->id, 'retired_at' => now()])->save();
        });
    }

    /**
     * @throws StillNeeded
     */
    public function retire(Tag $tag): void
    {
        $this->needs->refuseIfNeeded($tag, $tag->name);
        $tag->forceFill(['retired_at' => now()])->save();
    }

    public function bringBack(Tag $tag): void
    {
        $tag->forceFill(['retired_at' => null, 'merged_into_id' => null])->save();
    }
}
