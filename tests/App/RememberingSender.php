<?php

declare(strict_types=1);

namespace Tests\App;

use App\Channels\DeliveryFailed;
use App\Channels\MessageSender;
use App\Channels\OutgoingMessage;

/**
 * Takes messages over and remembers them, or refuses them as it is told.
 */
final class RememberingSender implements MessageSender
{
    /** @var list<string> keys of the messages taken over */
    public array $delivered = [];

    public ?DeliveryFailed $refuses = null;

    public function deliver(OutgoingMessage $message): ?string
    {
        if ($this->refuses !== null) {
            throw $this->refuses;
        }
        $this->delivered[] = $message->onceKey;

        return null;
    }
}
