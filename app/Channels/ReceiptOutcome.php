<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What became of a received message.
 */
final readonly class ReceiptOutcome
{
    /**
     * @param  bool  $isNew  else it had been stored before, and nothing was done
     * @param  int  $message  the id of what is stored
     * @param  int  $conversation  the id of the conversation that it is in
     * @param  bool  $hasReceipt  whether its sender is told by mail that it has arrived
     */
    public function __construct(public bool $isNew, public int $message, public int $conversation, public bool $hasReceipt = false) {}
}
