<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\ServiceType;
use App\Channels\Services\UnreadableEvent;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;

/**
 * Asks the shops for an order that somebody wrote about and that is not here yet.
 */
final class LookUpNumber implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    private const AGAIN_AFTER_SECONDS = 60;

    public int $tries = 20;

    public function __construct(public readonly string $number)
    {
        $this->onQueue('default');
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder): void
    {
        foreach (self::shops() as $shop) {
            try {
                $answer = $client->get($shop, '/v1/orders/'.rawurlencode($this->number));
                $takeOrder->take($shop, EventFields::of($answer)->object('order'));
            } catch (ServiceFault|UnreadableEvent $fault) {
                if ($fault instanceof ServiceFault && ! $fault->isFinal) {
                    // The shop has not said that it does not know it.
                    $this->release($fault->retryAfter ?? self::AGAIN_AFTER_SECONDS);

                    return;
                }
            }
        }
        DB::table('unknown_numbers')->where('number', $this->number)->update(['asked_at' => now()]);
    }

    /**
     * @return Collection<int, Account>
     */
    private static function shops(): Collection
    {
        $those = Channel::those(static fn (ChannelType $type): bool => $type instanceof ServiceType && $type->looksUpOrders());

        return Account::query()->whereIn('channel', $those)->where('state', AccountState::Active)->get();
    }
}
