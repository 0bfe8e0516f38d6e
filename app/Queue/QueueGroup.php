<?php

declare(strict_types=1);

namespace App\Queue;

final readonly class QueueGroup
{
    /**
     * @param  string  $urgency  missed, soon, today, later or plain
     * @param  list<QueueRow>  $rows
     */
    public function __construct(public string $label, public string $urgency, public array $rows) {}
}
