<?php

declare(strict_types=1);

namespace App\Joining;

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;

/**
 * Finds anew whose turn it is in a conversation whose messages have become others: whether the customer waits, since when,
 * and what was said last.
 */
final readonly class WhoWaits
{
    public function __construct(private ChangeState $state) {}

    public function in(Conversation $conversation, Actor $actor): void
    {
        $said = Message::query()->where('conversation_id', $conversation->id)->whereNull('called_back_at')->whereNull('partner_thread_id')
            ->orderBy('id')->get();
        $answers = $said->filter(static fn (Message $message): bool => ! $message->isIncoming() && ! $message->automatic);
        $lastAnswer = (int) $answers->max('id');
        $oldest = $said->first(
            static fn (Message $message): bool => $message->isIncoming() && ! $message->automatic && $message->id > $lastAnswer
        );
        $latest = $said->last();
        $conversation->forceFill([
            'waiting_since' => $oldest?->received_at,
            'first_replied_at' => $answers->first()?->sent_at,
            'last_answered_at' => $answers->last()?->sent_at,
            'preview' => $latest === null ? '' : Message::previewOf($latest->text),
            'last_message_at' => $latest->received_at ?? $conversation->last_message_at,
        ]);
        $to = match (true) {
            $oldest !== null => ConversationState::Open,
            $answers->isNotEmpty() && $conversation->state === ConversationState::Open => ConversationState::Waiting,
            default => $conversation->state,
        };
        if ($to !== $conversation->state) {
            $this->state->set($conversation, $to, $actor, [], 'what was said last');
        }
        $conversation->save();
    }
}
