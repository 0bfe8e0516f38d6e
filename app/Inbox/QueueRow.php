<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Promises\PromiseStanding;

final readonly class QueueRow
{
    public function __construct(public Conversation $conversation, public ?PromiseStanding $standing) {}

    public function promise(): string
    {
        return $this->conversation->first_replied_at === null ? 'first reply' : 'next reply';
    }
}
