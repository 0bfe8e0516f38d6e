<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * Takes over what a channel has read: from there on, all ways in are treated alike.
 */
interface Receives
{
    public function receive(Account $account, ReceivedMessage $received): ReceiptOutcome;
}
