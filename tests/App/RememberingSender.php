<?php

declare(strict_types=1);

namespace Tests\App;

use App\Answering\Outbox\OutboxItem;
use App\Channels\DeliveryFailed;
use App\Channels\MessageSender;

/**
 * Takes messages over and remembers them, or refuses them as it is told.
 */
final class RememberingSender implements MessageSender
{
    /** @var list<int> ids of the messages taken over */
    public array $delivered = [];

    public ?DeliveryFailed $refuses = null;

    public function deliver(OutboxItem $item): ?string
    {
        if ($this->refuses !== null) {
            throw $this->refuses;
        }
        $this->delivered[] = $item->message_id;

        return null;
    }
}
