<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Conversations\Actor;
use App\Conversations\ChannelItem;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Receiving\Happened\EditedAtSource;
use App\Receiving\Happened\RemovedAtSource;

/**
 * Shows on the trail that a message was changed or removed where it was written. What was there
 * before stays to be read.
 */
final readonly class MarkChangedAtSource
{
    public function __construct(private Journal $journal) {}

    public function edited(ChannelItem $item): void
    {
        $message = $this->message($item);
        if ($message === null || $message->text === $item->text) {
            return;
        }
        $message->forceFill(['text' => $item->text, 'earlier_texts' => $item->earlier_texts, 'edited_at' => now()])->save();
        $this->journal->record($message->conversation, new EditedAtSource, Actor::customer(), message: $message);
        if ($message->conversation->last_customer_message_at?->equalTo($message->received_at) ?? false) {
            $message->conversation->forceFill(['preview' => Message::previewOf($item->text)])->save();
        }
    }

    public function removed(ChannelItem $item): void
    {
        $message = $item->removed_at === null ? null : $this->message($item);
        if ($message === null || $message->removed_at !== null) {
            return;
        }
        $message->forceFill(['removed_at' => $item->removed_at])->save();
        $this->journal->record($message->conversation, new RemovedAtSource, Actor::customer(), message: $message);
    }

    private function message(ChannelItem $item): ?Message
    {
        return $item->message_id === null ? null : Message::query()->with('conversation')->find($item->message_id);
    }
}
