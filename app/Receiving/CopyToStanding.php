<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Answering\ForwardMessages;
use App\Conversations\Message;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * Copies what a customer wrote to those who get everything of the conversation.
 */
final class CopyToStanding implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 3;

    public function __construct(public readonly int $messageId) {}

    public function handle(ForwardMessages $forward): void
    {
        $forward->copyToStanding(Message::query()->findOrFail($this->messageId));
    }
}
