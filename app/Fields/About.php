<?php

declare(strict_types=1);

namespace App\Fields;

/**
 * What a field of the store's own belongs to.
 */
enum About: string
{
    case Conversation = 'conversation';
    case Customer = 'customer';
    case Order = 'order';

    public function label(): string
    {
        return match ($this) {
            self::Conversation => 'Conversations',
            self::Customer => 'Customers',
            self::Order => 'Orders',
        };
    }
}
