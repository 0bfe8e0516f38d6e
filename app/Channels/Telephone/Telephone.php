<?php

declare(strict_types=1);

namespace App\Channels\Telephone;

use App\Channels\Account;
use App\Channels\ChannelType;

/**
 * Calls, and visits at the counter: written down by whoever takes them, answered by email where an address is known.
 */
final readonly class Telephone extends ChannelType
{
    public function label(): string
    {
        return 'Telephone';
    }

    public function description(): string
    {
        return 'Calls and visits at the counter, written down by whoever takes them';
    }

    public function icon(): string
    {
        return 'telephone';
    }

    public function handleKind(): string
    {
        return 'telephone';
    }

    public function fields(Account $account): array
    {
        return ['How it works' => [Account::answersByField('Answered from, where an address is known')]];
    }
}
