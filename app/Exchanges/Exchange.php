<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Conversations\Conversation;
use App\Orders\Order;
use App\Refunds\Refund;
use App\Returns\CustomerReturn;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Goods that are sent in place of others: at no charge, or paid with what those are worth. Changed only by the actions of this folder.
 *
 * @property int $id
 * @property int $order_id the first order
 * @property int|null $conversation_id
 * @property int|null $return_id
 * @property int|null $refund_id where what came back pays for it; null where it is sent at no charge
 * @property int|null $teammate_id
 * @property ExchangeState $state
 * @property string $once_key
 * @property string $reason
 * @property string $currency
 * @property list<array{sku: string, title: string, quantity: int, price: int}> $goods
 * @property int $worth smallest units
 * @property int $kept of what came back
 * @property int $to_pay by the customer
 * @property int|null $new_order_id
 * @property string|null $payment_link where the customer pays what is to be paid
 * @property string|null $why
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $next_at when the shop is asked next
 * @property int $attempts
 * @property Order $order
 * @property Order|null $newOrder
 * @property Conversation|null $conversation
 * @property CustomerReturn|null $return
 * @property Refund|null $refund
 * @property Teammate|null $teammate
 */
final class Exchange extends Row
{
    public $timestamps = false;

    protected $table = 'exchanges';

    protected $guarded = ['*'];

    protected $attributes = ['kept' => 0, 'to_pay' => 0, 'attempts' => 0];

    public function isAtNoCharge(): bool
    {
        return $this->refund_id === null;
    }

    /**
     * What is sent, in one line.
     */
    public function what(): string
    {
        return implode(', ', array_map(
            static fn (array $one): string => ($one['quantity'] > 1 ? "{$one['quantity']} × " : '').$one['title'], $this->goods
        ));
    }

    /**
     * @return BelongsTo<Order, $this>
     */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /**
     * @return BelongsTo<Order, $this>
     */
    public function newOrder(): BelongsTo
    {
        return $this->belongsTo(Order::class, 'new_order_id');
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    /**
     * @return BelongsTo<CustomerReturn, $this>
     */
    public function return(): BelongsTo
    {
        return $this->belongsTo(CustomerReturn::class);
    }

    /**
     * @return BelongsTo<Refund, $this>
     */
    public function refund(): BelongsTo
    {
        return $this->belongsTo(Refund::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    protected function casts(): array
    {
        return [
            'state' => ExchangeState::class, 'goods' => 'array', 'asked_at' => 'immutable_datetime', 'next_at' => 'immutable_datetime',
        ];
    }
}
