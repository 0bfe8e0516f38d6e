<?php

declare(strict_types=1);

namespace App\Conversations\Snapshots;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * The tags that it has.
 */
final readonly class GivenTags implements SnapshotPart
{
    public function key(): string
    {
        return 'tags';
    }

    public function take(Conversation $conversation): array
    {
        return $conversation->tags()->orderBy('tags.id')->pluck('tags.id')->all();
    }

    public function restore(Conversation $conversation, array $taken): void
    {
        $conversation->tags()->sync($taken);
    }

    public function changedBy(): array
    {
        return [JournalKind::TagsChanged];
    }
}
