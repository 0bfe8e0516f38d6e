<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\AccountState;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Asks the shop for an order anew, when somebody looks at it and it was not heard of for a while.
 */
final class RefreshOrder implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Seconds for which an order counts as fresh. */
    public const FRESH = 120;

    public int $tries = 1;

    public int $uniqueFor = 30;

    public function __construct(public readonly int $orderId)
    {
        $this->onQueue('default');
    }

    public function uniqueId(): string
    {
        return (string) $this->orderId;
    }

    public static function whereStale(Order $order): void
    {
        if ($order->fetched_at->diffInSeconds(now()) > self::FRESH) {
            self::dispatch($order->id);
        }
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder): void
    {
        $order = Order::query()->with('account')->find($this->orderId);
        if ($order === null || $order->account->state !== AccountState::Active) {
            return;
        }
        try {
            $takeOrder->take(
                $order->account, EventFields::of($client->get($order->account, "/v1/orders/{$order->number}"))->object('order')
            );
        } catch (ServiceFault|UnreadableEvent $fault) {
            // The order stays as it is, with the time at which it was last heard of.
            if ($fault instanceof ServiceFault && ! $fault->isFinal) {
                $order->account->wentWrong($fault->getMessage());
            }
        }
    }
}
