<?php

declare(strict_types=1);

namespace App\Conversations\Snapshots;

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * Keeps a conversation as it is before something that can be taken back, and sets it back: an answer, a change of many
 * at once, a joining. All that changes can touch is in it; each place adds its own in `Support\Contributions`.
 */
final readonly class Snapshot
{
    /**
     * @param  list<SnapshotPart>  $parts
     */
    public function __construct(private array $parts, private ChangeState $state, private AssignConversation $assign) {}

    /**
     * @return array<string, array<array-key, mixed>> to be kept as JSON
     */
    public function take(Conversation $conversation): array
    {
        $taken = [];
        foreach ($this->parts as $part) {
            $taken[$part->key()] = $part->take($conversation);
        }

        return $taken;
    }

    /**
     * In the transaction of the taking back, with the conversation locked. What somebody has changed since stays.
     *
     * @param  array<string, mixed>  $taken
     * @param  string  $why  for the trail, where its state is another by it
     * @param  iterable<JournalKind>  $since  of the entries since
     */
    public function restore(Conversation $conversation, array $taken, Actor $actor, string $why, iterable $since = []): void
    {
        $since = [...$since];
        $from = $conversation->state;
        foreach ($this->parts as $part) {
            $as = $taken[$part->key()] ?? null;
            $isChangedSince = array_filter($part->changedBy(), static fn (JournalKind $kind): bool => in_array($kind, $since, true)) !== [];
            if (is_array($as) && ! $isChangedSince) {
                $part->restore($conversation, $as);
            }
        }
        $conversation->save();
        $this->state->setBack($conversation, $from, $actor, $why);
        // Who has it again may be none of those who read it meanwhile.
        $this->assign->release($conversation, $actor);
    }
}
