<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/**
 * Asks the shops for an order that somebody wrote about and that is not here yet.
 */
final class LookUpNumber implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 1;

    public function __construct(public readonly string $number)
    {
        $this->onQueue('default');
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder): void
    {
        foreach (Account::query()->where('channel', Channel::Shop)->where('state', AccountState::Active)->get() as $shop) {
            try {
                $answer = $client->get($shop, '/v1/orders/'.rawurlencode($this->number));
                $takeOrder->take($shop, EventFields::of($answer)->object('order'));
            } catch (ServiceFault|UnreadableEvent) {
                // Not known there, or not now: it is attached when the shop tells of it.
            }
        }
        DB::table('unknown_numbers')->where('number', $this->number)->update(['asked_at' => now()]);
    }
}
