<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\ReceivedMessage;

/**
 * Takes one item of a network or marketplace in. Safe to repeat, in any order.
 */
interface TakesItems
{
    /**
     * @return string what became of it: `new`, `again`, `changed` or `listed`
     */
    public function takeItem(Account $account, ReceivedMessage $received): string;
}
