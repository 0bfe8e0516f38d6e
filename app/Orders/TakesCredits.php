<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\Services\EventFields;

/**
 * Who knows what it means when the shop tells of a store credit.
 */
interface TakesCredits
{
    public function take(Account $account, EventFields $credit): string;
}
