<?php

declare(strict_types=1);

namespace App\Channels;

use Illuminate\Contracts\Container\Container;

/**
 * Has a message brought out by the channel of its account.
 */
final readonly class ChannelSender implements MessageSender
{
    public function __construct(private Container $container) {}

    public function deliver(OutgoingMessage $message): ?string
    {
        $account = $message->account;
        if ($account->state === AccountState::Disconnected) {
            throw DeliveryFailed::forGood("The account {$account->title()} is disconnected.");
        }
        if ($account->state === AccountState::Paused) {
            throw DeliveryFailed::forNow("The account {$account->title()} is paused.");
        }
        $sender = $account->channel->type()->sender()
            ?? throw DeliveryFailed::forGood("{$account->channel->label()} takes no answers.");

        return $this->container->make($sender)->deliver($message);
    }
}
