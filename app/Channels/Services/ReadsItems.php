<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\ReceivedMessage;

/**
 * Reads an event of a network or marketplace into what all channels share.
 */
interface ReadsItems
{
    /**
     * @param  array<array-key, mixed>  $event
     * @return ReceivedMessage|null null where it is something that we said ourselves
     *
     * @throws UnreadableEvent
     */
    public function read(array $event): ?ReceivedMessage;
}
