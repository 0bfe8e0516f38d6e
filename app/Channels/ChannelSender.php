<?php

declare(strict_types=1);

namespace App\Channels;

use App\Answering\Outbox\OutboxItem;
use App\Channels\Mail\SmtpSender;
use App\Channels\Services\ServiceSender;

/**
 * Chooses what brings a message out by the channel of its account.
 */
final readonly class ChannelSender implements MessageSender
{
    public function __construct(private SmtpSender $mail, private ServiceSender $services) {}

    public function deliver(OutboxItem $item): ?string
    {
        if ($item->account->state === AccountState::Disconnected) {
            throw DeliveryFailed::forGood("The account {$item->account->title()} is disconnected.");
        }
        if ($item->account->state === AccountState::Paused) {
            throw DeliveryFailed::forNow("The account {$item->account->title()} is paused.");
        }

        return $item->account->channel->isService() ? $this->services->deliver($item) : $this->mail->deliver($item);
    }
}
