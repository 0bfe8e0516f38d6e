<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\WishedReturn;
use App\Conversations\Conversation;
use App\Conversations\Message;

/**
 * Writes down what a customer wants to send back, in the transaction of the message that says so.
 */
interface TakesWishedReturns
{
    public function take(WishedReturn $wish, Conversation $conversation, Message $message): void;
}
