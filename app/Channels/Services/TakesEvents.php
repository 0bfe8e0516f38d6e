<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;

/**
 * Makes of a source's event what it means here. Safe to repeat, in any order.
 */
interface TakesEvents
{
    /**
     * @param  array<array-key, mixed>  $event
     * @return string what became of it, for the sender: `new`, `again`, `changed`, `listed` …
     *
     * @throws UnreadableEvent
     */
    public function take(Account $account, array $event): string;
}
