<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Channels\Services\PaysBack;

/**
 * Who is asked to give back what was paid by card.
 */
final class PaymentProvider
{
    /**
     * @return Account|null null where none is connected
     */
    public static function account(): ?Account
    {
        return Account::query()
            ->whereIn('channel', Channel::those(static fn (ChannelType $type): bool => $type instanceof PaysBack))
            ->where('state', AccountState::Active)->orderBy('id')->first();
    }
}
