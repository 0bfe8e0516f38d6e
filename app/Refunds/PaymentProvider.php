<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Channels\Services\PaysBack;
use App\Orders\Order;
use Illuminate\Database\Eloquent\Collection;

/**
 * Who is asked to give back what was paid: the marketplace for what was bought there, else the payment provider.
 */
final class PaymentProvider
{
    /**
     * @return Account|null null where none is connected
     */
    public static function of(Order $order): ?Account
    {
        return self::all()->first(static fn (Account $account): bool => $order->marketplace === null
            ? ! $account->channel->type()->bringsMessages()
            : $account->channel->label() === $order->marketplace);
    }

    /**
     * @return Collection<int, Account>
     */
    public static function all(): Collection
    {
        return Account::query()
            ->whereIn('channel', Channel::those(static fn (ChannelType $type): bool => $type instanceof PaysBack))
            ->where('state', AccountState::Active)->orderBy('id')->get();
    }
}
