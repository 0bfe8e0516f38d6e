<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use Carbon\CarbonImmutable;

/**
 * Something that happened to a conversation, as rules look at it.
 */
final readonly class RuleTrigger
{
    /**
     * @param  JournalEntry|null  $entry  null where time alone made it happen
     * @param  list<RuleEvent>  $events
     * @param  Message|null  $message  that arrived or was sent; else the customer's latest
     * @param  ConversationState|null  $before  the state that a customer ended by writing
     * @param  int  $depth  how many rules, one waking the next, have led to it
     * @param  string  $key  for the same event always the same: a rule acts once for it
     */
    private function __construct(
        public Conversation $conversation,
        public ?JournalEntry $entry,
        public array $events,
        public ?Message $message,
        public ?ConversationState $before,
        public int $depth,
        public string $key,
        private ?CarbonImmutable $at,
    ) {}

    public function at(): CarbonImmutable
    {
        return $this->at ?? $this->entry->at ?? CarbonImmutable::now();
    }

    /**
     * @param  list<RuleEvent>  $events
     */
    public static function ofEntry(JournalEntry $entry, array $events, ?Message $message, ?ConversationState $before): self
    {
        return new self($entry->conversation, $entry, $events, $message, $before, $entry
            ->cause()
            ?->asRule()
            ->depth ?? 0, "entry-{$entry->getKey()}", null);
    }

    public static function ofTime(Conversation $conversation, ?Message $message, string $key, CarbonImmutable $at): self
    {
        return new self($conversation, null, [], $message, null, 0, $key, $at);
    }

    /**
     * With the conversation as it is now.
     */
    public function with(Conversation $now): self
    {
        return new self($now, $this->entry, $this->events, $this->message, $this->before, $this->depth, $this->key, $this->at);
    }
}
