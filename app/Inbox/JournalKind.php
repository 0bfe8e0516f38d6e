<?php

declare(strict_types=1);

namespace App\Inbox;

enum JournalKind: string
{
    case Began = 'began';
    case MessageReceived = 'message_received';
    case Replied = 'replied';
    case Noted = 'noted';
    case StateChanged = 'state_changed';
    case OwnerChanged = 'owner_changed';
    case CategoryChanged = 'category_changed';
    case Delivered = 'delivered';
    case DeliveryFailed = 'delivery_failed';
    case SendingAgain = 'sending_again';

    /**
     * Whether it says something that a person who is writing an answer must not miss.
     */
    public function matters(): bool
    {
        return match ($this) {
            self::MessageReceived, self::Replied, self::Noted, self::StateChanged, self::DeliveryFailed => true,
            default => false,
        };
    }
}
