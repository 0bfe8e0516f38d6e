<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Exchanges\Happened\OrderChangeAsked;
use App\Orders\Order;
use App\Orders\TakeOrder;
use App\Team\Teammate;

/**
 * Has the shop cancel an order, or send it elsewhere, while it has not left. The shop answers at once whether it still can.
 */
final readonly class ChangeUnsentOrder
{
    public function __construct(private ServiceClient $client, private TakeOrder $takeOrder, private Journal $journal) {}

    /**
     * @throws ExchangeRefused
     */
    public function cancel(Order $order, string $reason, ?Conversation $conversation, Teammate $teammate): void
    {
        trim($reason) === '' && throw ExchangeRefused::noReason();
        $this->ask($order, 'cancel', ['reason' => mb_substr(trim($reason), 0, 200)]);
        $this->record($order, 'cancelled', $conversation, $teammate, $reason);
    }

    /**
     * @param  string  $address  in lines
     *
     * @throws ExchangeRefused
     */
    public function readdress(Order $order, string $address, string $country, ?Conversation $conversation, Teammate $teammate): void
    {
        $lines = array_values(array_filter(array_map(trim(...), explode("\n", $address))));
        $lines === [] || preg_match('/^[A-Z]{2}$/D', $country) !== 1 ? throw ExchangeRefused::noAddress() : null;
        $this->ask($order, 'address',
            ['lines' => array_map(static fn (string $line): string => mb_substr($line, 0, 200), $lines), 'country' => $country]);
        $this->record($order, 'sent to another address', $conversation, $teammate, implode(', ', $lines));
    }

    /**
     * Under a key of what is asked: pressed twice, it is done once.
     *
     * @param  array<string, mixed>  $body
     *
     * @throws ExchangeRefused
     */
    private function ask(Order $order, string $what, array $body): void
    {
        $order->loadMissing('account');
        $key = hash('sha256', "{$what}:{$order->id}:{$order->version}:".json_encode($body));
        try {
            $answer = $this->client->send($order->account, 'POST', "/v1/orders/{$order->number}/{$what}", $body, $key);
            $this->takeOrder->take($order->account, EventFields::of($answer)->object('order'));
        } catch (ServiceFault|UnreadableEvent $why) {
            throw ExchangeRefused::shopSays($why->getMessage());
        }
    }

    private function record(Order $order, string $what, ?Conversation $conversation, Teammate $teammate, string $why): void
    {
        $conversation === null ?: $this->journal->record(
            $conversation, new OrderChangeAsked(new Named($order->id, $order->number), $what), Actor::teammate($teammate), $why
        );
    }
}
