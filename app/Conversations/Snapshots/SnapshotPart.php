<?php

declare(strict_types=1);

namespace App\Conversations\Snapshots;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * A part of what changes can touch of a conversation, kept and set back together.
 */
interface SnapshotPart
{
    /**
     * By which it is kept in the snapshot.
     */
    public function key(): string;

    /**
     * As it is now.
     *
     * @return array<array-key, mixed> what JSON can hold
     */
    public function take(Conversation $conversation): array;

    /**
     * @param  array<array-key, mixed>  $taken  as `take` gave it
     */
    public function restore(Conversation $conversation, array $taken): void;

    /**
     * The entries that say that somebody has changed it.
     *
     * @return list<JournalKind>
     */
    public function changedBy(): array;
}
