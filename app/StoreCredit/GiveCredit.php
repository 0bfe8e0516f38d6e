<?php

declare(strict_types=1);

namespace App\StoreCredit;

use App\Channels\AccountState;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Refunds\Payout;

/**
 * Has the shop make a code for what goes back as store credit: under one key, however often it is asked.
 */
final readonly class GiveCredit
{
    public function __construct(private ServiceClient $client, private TakeCredit $take) {}

    /**
     * @return string|null the code; null where the shop is switched off just now
     *
     * @throws ServiceFault|UnreadableEvent
     */
    public function give(Payout $payout): ?string
    {
        $payout->loadMissing('refund.order.account');
        $order = $payout->refund->order;
        if ($order->account->state !== AccountState::Active) {
            return null;
        }
        $credit = EventFields::of($this->client->send($order->account, 'POST', '/v1/credits', [
            'amount' => $payout->amount + $payout->bonus, 'currency' => $payout->refund->currency, 'reference' => $payout->once,
            'customer' => ['name' => $order->buyer_name, 'email' => $order->email],
        ], "credit-{$payout->once}"))->object('credit');
        $this->take->take($order->account, $credit, $payout);

        return $credit->id('code');
    }
}
