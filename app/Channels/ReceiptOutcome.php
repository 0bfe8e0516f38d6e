<?php

declare(strict_types=1);

namespace App\Channels;

use App\Conversations\Message;

/**
 * What became of a received message.
 */
final readonly class ReceiptOutcome
{
    private function __construct(public bool $isNew, public Message $message) {}

    public static function stored(Message $message): self
    {
        return new self(true, $message);
    }

    /**
     * It had been stored before; nothing was done.
     */
    public static function again(Message $message): self
    {
        return new self(false, $message);
    }
}
