<?php

declare(strict_types=1);

namespace App\Conversations;

/**
 * Makes conversations open again, held or resolved, whose time has come. Runs every minute; safe to repeat.
 */
final readonly class BringBackHeld
{
    public function __construct(private ChangeState $changeState) {}

    public function __invoke(): void
    {
        Conversation::query()
            ->whereIn('state', [ConversationState::Held, ConversationState::Resolved])
            ->where('bring_back_at', '<=', now())
            ->eachById(
                fn (Conversation $conversation) => $this->changeState->open(
                    $conversation, Actor::application(), 'its time to come back was reached'
                )
            );
    }
}
