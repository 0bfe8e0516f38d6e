<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Channels\AccountState;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Exchanges\Happened\ExchangeMoved;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Orders\AttachOrders;
use App\Orders\Order;
use App\Orders\TakeOrder;
use App\Refunds\DueRow;
use App\Support\RegularJob;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Has the shop make the orders of what is sent in place of something: each under one key, however often it is asked. The new order
 * stands beside the conversation from then on, with its parcel.
 */
final class PlaceExchanges extends RegularJob
{
    private const AT_ONCE = 20;

    /** Says nothing of the order: our key is not taken, or the same is being asked for at this moment. */
    private const OURS_TO_MEND = [401, 403, 409];

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(ServiceClient $client, TakeOrder $takeOrder, AttachOrders $attach, Journal $journal, Notify $tell): void
    {
        $due = Exchange::query()->whereNotNull('next_at')->where('next_at', '<=', now())
            ->with(['order.account', 'conversation', 'teammate'])
            ->orderBy('next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $exchange) {
            if ($exchange->order->account->state === AccountState::Active && DueRow::claim($exchange, 'next_at')) {
                $this->place($exchange, $client, $takeOrder, $attach, $journal, $tell);
            }
        }
    }

    private function place(
        Exchange $exchange, ServiceClient $client, TakeOrder $takeOrder, AttachOrders $attach, Journal $journal, Notify $tell
    ): void {
        try {
            $answer = EventFields::of($client->send($exchange->order->account, 'POST', '/v1/orders', [
                'instead_of' => $exchange->order->number, 'reference' => "exchange-{$exchange->id}", 'kept' => $exchange->kept,
                'to_pay' => $exchange->to_pay, 'lines' => array_map(static fn (array $one): array => [
                    'sku' => $one['sku'], 'quantity' => $one['quantity'], 'unit_price' => $one['price'],
                ], $exchange->goods),
                // Where it was not there, it is asked for anew.
            ], "exchange-{$exchange->once_key}-{$exchange->asked_at->getTimestamp()}"));
            $told = $answer->object('order');
            $takeOrder->take($exchange->order->account, $told);
            $new = Order::query()->where('account_id', $exchange->order->account_id)->where('outside_id', $told->id('id'))->firstOrFail();
            $this->placed($exchange, $new, $answer->optionalText('payment_link', 500), $attach, $journal);
        } catch (ServiceFault $fault) {
            $fault->isFinal && ! in_array($fault->status, self::OURS_TO_MEND, true)
                ? $this->notThere($exchange, $fault->getMessage(), $journal, $tell)
                : $this->later($exchange, $fault->getMessage(), $fault->retryAfter);
        } catch (UnreadableEvent $why) {
            $this->later($exchange, $why->getMessage());
        }
    }

    private function placed(Exchange $exchange, Order $new, ?string $link, AttachOrders $attach, Journal $journal): void
    {
        DB::transaction(function () use ($exchange, $new, $link, $attach, $journal): void {
            $isMine = Exchange::query()->whereKey($exchange->id)->where('state', ExchangeState::Asked)->update([
                'state' => ExchangeState::Placed, 'new_order_id' => $new->id, 'next_at' => null, 'why' => null,
                'payment_link' => $link !== null && preg_match('#^https?://#', $link) === 1 ? $link : null,
            ]);
            if ($isMine === 0 || $exchange->conversation === null) {
                return;
            }
            $attach->one($exchange->conversation, $new, 'exchange', Actor::application());
            $this->record($exchange, ExchangeState::Placed, $new, $journal);
        });
    }

    private function notThere(Exchange $exchange, string $why, Journal $journal, Notify $tell): void
    {
        DB::transaction(function () use ($exchange, $why, $journal, $tell): void {
            $isMine = Exchange::query()->whereKey($exchange->id)->where('state', ExchangeState::Asked)
                ->update(['state' => ExchangeState::NotThere, 'next_at' => null, 'why' => mb_substr($why, 0, 300)]);
            if ($isMine === 0) {
                return;
            }
            $exchange->conversation === null ?: $this->record($exchange, ExchangeState::NotThere, null, $journal);
            $own = $exchange->teammate?->may_sign_in === true ? [$exchange->teammate] : Teammate::leads()->all();
            $tell->people(
                array_values($own), NewsKind::RefundFailed, "exchange-{$exchange->id}-{$exchange->attempts}",
                "{$exchange->what()} for order {$exchange->order->number} cannot be sent: {$why}", $exchange->conversation_id,
                path: "/exchanges/{$exchange->id}"
            );
        });
    }

    private function record(Exchange $exchange, ExchangeState $now, ?Order $new, Journal $journal): void
    {
        $exchange->conversation === null ?: $journal->record($exchange->conversation, new ExchangeMoved(
            new Named($exchange->id, $exchange->what()), new Named($exchange->order_id, $exchange->order->number), $now,
            $new === null ? null : new Named($new->id, $new->number)
        ), Actor::application());
    }

    private function later(Exchange $exchange, string $why, ?int $seconds = null): void
    {
        Exchange::query()->whereKey($exchange->id)->where('state', ExchangeState::Asked)->update([
            'attempts' => $exchange->attempts + 1, 'next_at' => DueRow::next($exchange->attempts, $seconds),
            'why' => mb_substr($why, 0, 300),
        ]);
    }
}
