<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Support\LocalTime;
use Carbon\CarbonImmutable;

/**
 * A journal entry as a sentence: who did what, and why.
 */
final readonly class JournalSentence
{
    public function __construct(private LocalTime $time) {}

    public function of(JournalEntry $entry): string
    {
        $who = $entry->teammate?->name;
        $sentence = match ($entry->kind) {
            JournalKind::Began => 'Began as a new conversation that links to '.($entry->details['linked'] ?? ''),
            JournalKind::StateChanged => $this->state($entry, $who),
            JournalKind::OwnerChanged => $this->owner($entry, $who),
            JournalKind::CategoryChanged => $this->by($who, 'Category '.($entry->details['to'] ?? 'taken away')),
            JournalKind::DeliveryFailed => 'The answer to '.($entry->details['to'] ?? 'the customer').' could not be delivered',
            JournalKind::SendingAgain => $this->by($who, 'Sending the answer again'),
            JournalKind::Delivered => 'The answer was delivered',
            JournalKind::MessageReceived => 'The customer wrote',
            JournalKind::Replied => "{$who} replied",
            JournalKind::Noted => "{$who} wrote a note",
        };

        return $entry->why === '' || $entry->kind === JournalKind::StateChanged ? $sentence : "{$sentence} ({$entry->why})";
    }

    private function state(JournalEntry $entry, ?string $who): string
    {
        $to = ConversationState::from((string) $entry->details['to']);
        $until = $entry->details['until'] ?? null;
        $text = match ($to) {
            ConversationState::Open => 'Open again',
            ConversationState::Waiting => 'Waiting on customer',
            ConversationState::Held => 'Held',
            ConversationState::Resolved => 'Resolved',
            ConversationState::Closed => 'Closed for good',
        };
        $because = $entry->why === '' ? '' : ": {$entry->why}";
        $back = $until === null ? '' : ', comes back '.$this->time->short(CarbonImmutable::parse($until));

        return $this->by($who, $text).$because.$back;
    }

    private function owner(JournalEntry $entry, ?string $who): string
    {
        $to = $entry->details['to'] ?? null;

        return match (true) {
            $to === null => $this->by($who, 'Given back: nobody’s yet'),
            $to === $who => "Taken by {$who}",
            default => $this->by($who, "Given to {$to}"),
        };
    }

    private function by(?string $who, string $what): string
    {
        return $who === null ? $what : "{$what} by {$who}";
    }
}
