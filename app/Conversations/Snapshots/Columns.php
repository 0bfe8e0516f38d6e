<?php

declare(strict_types=1);

namespace App\Conversations\Snapshots;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * Columns of the conversation that change together.
 */
final readonly class Columns implements SnapshotPart
{
    /**
     * @param  list<string>  $columns
     * @param  list<JournalKind>  $changedBy
     */
    private function __construct(private string $key, private array $columns, private array $changedBy) {}

    /**
     * @return list<self> all that changes can touch
     */
    public static function all(): array
    {
        $turn = [JournalKind::Replied, JournalKind::MessageReceived];
        $junk = [JournalKind::Junked, JournalKind::NotJunk];

        return [
            new self('state', Conversation::STATE, [JournalKind::StateChanged, JournalKind::ComesBack, ...$turn, ...$junk]),
            new self('clock', Conversation::CLOCK, [...$turn, ...$junk]),
            new self('shown', ['preview', 'last_message_at'], $turn),
            new self('answered', ['first_replied_at', 'last_answered_at'], [JournalKind::Replied]),
            new self('owner', Conversation::OWNER, [JournalKind::OwnerChanged]),
            new self('team', ['team_id'], [JournalKind::TeamChanged]),
            new self('category', ['category_id'], [JournalKind::CategoryChanged]),
            new self('priority', ['priority'], [JournalKind::PriorityChanged]),
            new self('language', ['language'], [JournalKind::LanguageChanged]),
            new self('copies', ['standing_copies'], [JournalKind::CopiesChanged]),
            new self('public', ['public'], []),
            new self('junk', ['junk', 'junk_reasons'], $junk),
        ];
    }

    public function key(): string
    {
        return $this->key;
    }

    public function take(Conversation $conversation): array
    {
        return array_intersect_key($conversation->getAttributes(), array_flip($this->columns));
    }

    public function restore(Conversation $conversation, array $taken): void
    {
        $conversation->setRawAttributes([
            ...$conversation->getAttributes(), ...array_intersect_key($taken, array_flip($this->columns)),
        ]);
    }

    public function changedBy(): array
    {
        return $this->changedBy;
    }
}
