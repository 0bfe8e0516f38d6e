<?php

declare(strict_types=1);

namespace App\Queue;

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\PlaceInQueue;
use App\Promises\PromiseStanding;
use App\Support\LocalTime;
use Cairnfield\Core\Queue\DueGroup;

final readonly class QueueRow
{
    public function __construct(public Conversation $conversation, public ?PromiseStanding $standing) {}

    public function promise(): string
    {
        return $this->standing?->kind->label() ?? '';
    }

    /**
     * Why it stands where it stands: what decided first comes first.
     */
    public function why(LocalTime $time): string
    {
        $conversation = $this->conversation;
        if ($conversation->state !== ConversationState::Open) {
            return '';
        }
        $group = $conversation->customer->groups->sortBy('place')->first();

        return implode(' · ', array_filter([
            match (DueGroup::from($conversation->due_group)) {
                DueGroup::Missed => 'its promise was missed',
                DueGroup::WithinTheHour => 'due within the hour',
                DueGroup::Today => 'due today',
                DueGroup::Later => $conversation->due_at === null ? 'no promise runs' : 'due later',
            },
            "priority {$conversation->priority->value}",
            $group !== null && $group->place < PlaceInQueue::NO_GROUP
                ? "{$group->name}: ".($group->place === 1 ? 'first of all' : 'before others')
                : null,
            $conversation->waiting_since === null ? 'nobody waits' : "waiting since {$time->short($conversation->waiting_since)}",
        ]));
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
