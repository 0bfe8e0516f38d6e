<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Promises\PromiseStanding;

final readonly class QueueRow
{
    public function __construct(public Conversation $conversation, public ?PromiseStanding $standing) {}

    public function promise(): string
    {
        return $this->conversation->first_replied_at === null ? 'first reply' : 'next reply';
    }

    /**
     * What the row says after the subject. Where the subject is how the message begins, the rest of it.
     */
    public function preview(): string
    {
        $conversation = $this->conversation;
        if ($conversation->junk) {
            return 'junk: '.implode('; ', $conversation->junk_reasons ?? []);
        }
        if ($conversation->state === ConversationState::Held) {
            return "held: {$conversation->held_reason}";
        }
        $beginning = rtrim($conversation->subject, ' …');
        $at = mb_strpos($conversation->preview, $beginning);

        return $at !== false && $at < 40 && mb_strlen($beginning) > 12
            ? ltrim(mb_substr($conversation->preview, $at + mb_strlen($beginning)), ' .,;:')
            : $conversation->preview;
    }
}
