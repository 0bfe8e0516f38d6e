<?php

declare(strict_types=1);

namespace App\Inbox;

/**
 * An answer as it leaves the form.
 */
final readonly class ReplyToSend
{
    /**
     * @param  list<array{name: string, type: string, size: int, sha256: string, file: string}>  $files
     * @param  ConversationState  $then  waiting, open, or resolved with the outcome
     * @param  string  $onceKey  of the form it was written in: sending twice does it once
     * @param  int  $seen  the last journal entry that this person has been shown
     * @param  int|null  $waits  seconds for which it can be called back; null for the usual
     * @param  string|null  $route  the key of the way that was chosen; null where there is only one
     */
    public function __construct(
        public string $text,
        public array $files,
        public ConversationState $then,
        public ?Outcome $outcome,
        public string $onceKey,
        public int $seen,
        public ?string $route = null,
        public ?int $waits = null,
    ) {}
}
