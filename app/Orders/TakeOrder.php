<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\RedactArrival;
use App\Channels\SenderHandle;
use App\Channels\Services\EventFields;
use App\Channels\Services\UnreadableEvent;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Named;
use App\Customers\CustomerOfOrder;
use App\Orders\Happened\OrderChanged;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * Stores an order as the shop tells it, whole: lines, payments, parcels. An older version than the
 * one that is here changes nothing but the time at which it was last heard of.
 */
final readonly class TakeOrder
{
    private const STATUSES = ['paid', 'unpaid', 'sent', 'cancelled', 'returned'];

    public function __construct(
        private CustomerOfOrder $customerOf, private AttachOrders $attach, private TellConversations $tell, private RedactArrival $redact
    ) {}

    /**
     * @throws UnreadableEvent
     */
    public function take(Account $account, EventFields $fields): string
    {
        $values = $this->read($fields);
        try {
            return $this->store($account, $fields, $values);
        } catch (UniqueConstraintViolationException) {
            // Told twice in one moment: the other one has begun it, and this one finds it now.
            return $this->store($account, $fields, $values);
        }
    }

    /**
     * @param  array<string, mixed>  $values
     */
    private function store(Account $account, EventFields $fields, array $values): string
    {
        return DB::transaction(function () use ($account, $fields, $values): string {
            $order = Order::query()
                ->where('account_id', $account->id)
                ->where('outside_id', $values['outside_id'])
                ->lockForUpdate()
                ->first();
            if ($order !== null && $order->version >= $values['version']) {
                $order->forceFill(['fetched_at' => now()])->save();

                return 'again';
            }
            $isNew = $order === null;
            $order ??= new Order;
            $before = $isNew ? null : [$order->status, $order->refunded()];
            $order->forceFill([
                ...$values, 'account_id' => $account->id, 'customer_id' => $order->customer_id ?? $this->customer($values, $fields),
                'fetched_at' => now(),
            ])->save();
            $this->storeLines($order, $fields);
            $this->storePayments($order, $fields);
            $this->storeParcels($order, $fields);
            if ($isNew) {
                $this->attachWhereAskedFor($order);
            } else {
                $this->tellOfChange($order, $before);
            }

            return $isNew ? 'new' : 'changed';
        }, 5);
    }

    /**
     * @param  array{string, int}|null  $before  its status and what was given back
     */
    private function tellOfChange(Order $order, ?array $before): void
    {
        $order->unsetRelation('payments');
        $named = new Named($order->id, $order->number);
        if ($before !== null && $before[0] !== $order->status) {
            $this->tell->tell($order, new OrderChanged($named, $before[0], $order->status, null, $order->currency));
        }
        if ($before !== null && $order->refunded() > $before[1]) {
            $this->tell->tell($order, new OrderChanged($named, null, null, $order->refunded() - $before[1], $order->currency));
        }
    }

    /**
     * @return array<string, mixed>
     */
    private function read(EventFields $fields): array
    {
        $customer = $fields->object('customer');
        $address = $customer->object('address');
        $soldOn = $fields->has('sold_on') ? $fields->object('sold_on') : null;
        $shipping = $fields->object('shipping');
        $currency = $fields->text('currency', 10);
        if (! KnownCurrency::is($currency)) {
            throw UnreadableEvent::refused(
                "Order {$fields->text('number', 60)} is in “{$currency}”, which is no currency that is known (ISO 4217)."
            );
        }
        $status = $fields->text('status', 20);
        $this->refuseWithoutLines($fields);

        return [
            'outside_id' => $fields->id('id'),
            'number' => $fields->id('number'),
            'number_key' => OrderNumbers::key($fields->id('number')),
            'version' => $fields->integer('version', 1, 4_000_000_000),
            'status' => in_array($status, self::STATUSES, true) ? $status : 'paid',
            'placed_at' => $fields->instant('placed_at'),
            'currency' => $currency,
            'prices_include_tax' => $fields->boolean('prices_include_tax'),
            'buyer_name' => $this->redact->plain($customer->text('name', 500)),
            'email' => $customer->optionalText('email', 320),
            'telephone' => $customer->optionalText('telephone', 40),
            'address' => mb_substr($this->redact->plain($this->addressLines($address)), 0, 1000),
            'country' => mb_substr(mb_strtoupper($address->text('country', 2)), 0, 2),
            'marketplace' => $soldOn?->text('marketplace', 60),
            'marketplace_number' => $soldOn?->id('number'),
            'marketplace_key' => $soldOn === null ? null : OrderNumbers::key($soldOn->id('number')),
            'order_discount' => $fields->integer('order_discount', 0),
            'shipping_amount' => $shipping->integer('amount', 0),
            'shipping_refunded' => $shipping->integer('refunded', 0),
            'shipping_title' => $this->redact->plain($shipping->text('title', 200)),
            'shipping_tax_rate' => $shipping->share('tax_rate'),
            'total' => $fields->integer('total', 0),
        ];
    }

    private function refuseWithoutLines(EventFields $fields): void
    {
        if ($fields->objects('lines') === []) {
            throw UnreadableEvent::field('order.lines', 'a list of at least one line');
        }
    }

    private function addressLines(EventFields $address): string
    {
        $lines = $address->has('lines') ? $address->texts('lines') : [];

        return implode(', ', array_filter($lines, static fn (string $line): bool => trim($line) !== ''));
    }

    /**
     * @param  array<string, mixed>  $values
     */
    private function customer(array $values, EventFields $fields): ?int
    {
        $marketplace = null;
        if ($values['marketplace'] !== null) {
            $channel = Channel::tryFrom(mb_strtolower((string) $values['marketplace']));
            $buyer = $fields->object('sold_on')->optionalText('buyer', 191);
            $marketplace = $channel === null || $buyer === null ? null : SenderHandle::on($channel, $buyer, (string) $values['buyer_name']);
        }

        return $this->customerOf->find(
            (string) $values['buyer_name'], $values['email'], $values['telephone'], (string) $values['country'], $marketplace
        )?->id;
    }

    private function storeLines(Order $order, EventFields $fields): void
    {
        $rows = array_map(fn (EventFields $line): array => [
            'order_id' => $order->id,
            'outside_id' => $line->id('id'),
            'sku' => $line->text('sku', 100),
            'title' => $this->redact->plain($line->text('title', 300)),
            'quantity' => $line->integer('quantity', 1, 1_000_000),
            'unit_price' => $line->integer('unit_price', 0),
            'discount' => $line->integer('discount', 0),
            'tax_rate' => $line->share('tax_rate'),
            'sent' => $line->integer('sent', 0, 1_000_000),
            'returned' => $line->integer('returned', 0, 1_000_000),
            'refunded' => $line->integer('refunded', 0),
        ], $fields->objects('lines'));
        OrderLine::query()->upsert($rows, ['order_id', 'outside_id']);
        OrderLine::query()->where('order_id', $order->id)->whereNotIn('outside_id', array_column($rows, 'outside_id'))->delete();
    }

    private function storePayments(Order $order, EventFields $fields): void
    {
        $rows = array_map(fn (EventFields $payment): array => [
            'order_id' => $order->id,
            'outside_id' => $payment->id('id'),
            'kind' => $payment->text('kind', 20),
            'label' => $this->redact->plain($payment->text('label', 200)),
            'captured' => $payment->integer('captured', 0),
            'refunded' => $payment->integer('refunded', 0),
        ], $fields->objects('payments'));
        if ($rows !== []) {
            OrderPayment::query()->upsert($rows, ['order_id', 'outside_id']);
        }
    }

    private function storeParcels(Order $order, EventFields $fields): void
    {
        foreach ($fields->has('parcels') ? $fields->objects('parcels') : [] as $told) {
            $number = $told->id('number');
            $is = ['order_id' => $order->id, 'carrier' => $told->text('carrier', 60)];
            // Its carrier may tell of it in the same moment.
            Parcel::query()->insertOrIgnore([
                'number' => $number, ...$is, 'fetched_at' => now(), 'created_at' => now(), 'updated_at' => now(),
            ]);
            Parcel::query()->where('number', $number)->update($is);
        }
    }

    /**
     * Somebody wrote about the number before the shop had told us of the order.
     */
    private function attachWhereAskedFor(Order $order): void
    {
        $numbers = array_filter([$order->number, $order->marketplace_number]);
        $waiting = DB::table('unknown_numbers')->whereIn('number', $numbers)->pluck('conversation_id');
        foreach (Conversation::query()->whereKey($waiting)->get() as $conversation) {
            $this->attach->one($conversation, $order, 'number', Actor::application());
        }
        DB::table('unknown_numbers')->whereIn('number', $numbers)->delete();
    }
}
