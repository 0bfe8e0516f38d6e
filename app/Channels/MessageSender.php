<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * Brings one message out by the channel of its account.
 */
interface MessageSender
{
    /**
     * Returns once the other side has taken the message over.
     *
     * @return string|null the id it has there, where it is given one
     *
     * @throws DeliveryFailed when it has not
     */
    public function deliver(OutgoingMessage $message): ?string;
}
