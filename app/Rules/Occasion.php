<?php

declare(strict_types=1);

namespace App\Rules;

use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\JournalEntry;
use App\Inbox\Message;

/**
 * Something that happened to a conversation, as rules look at it.
 */
final readonly class Occasion
{
    /**
     * @param  list<RuleEvent>  $events
     * @param  Message|null  $message  that arrived or was sent; else the customer's latest
     * @param  ConversationState|null  $before  the state before a customer wrote
     * @param  int  $depth  how many rules, one waking the next, have led to it
     */
    public function __construct(
        public Conversation $conversation,
        public JournalEntry $entry,
        public array $events,
        public ?Message $message,
        public ?ConversationState $before,
        public int $depth,
    ) {}

    /**
     * For the same entry always the same: a rule acts once for one event.
     */
    public function key(): string
    {
        return "entry-{$this->entry->id}";
    }
}
