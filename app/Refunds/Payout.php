<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\OrderPayment;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The part of a refund that goes to one payment.
 *
 * @property int $id
 * @property int $refund_id
 * @property int $order_payment_id
 * @property int $amount smallest units
 * @property PayoutState $state
 * @property string $once under which the provider is asked for it, however often
 * @property string|null $outside_id the provider's own number of it
 * @property string|null $why it failed, or has not gone through yet
 * @property int $attempts
 * @property CarbonImmutable|null $next_at when the provider is asked next; null where nothing is to be asked
 * @property CarbonImmutable|null $ended_at
 * @property Refund $refund
 * @property OrderPayment $payment
 */
final class Payout extends Row
{
    public $timestamps = false;

    protected $table = 'payouts';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Refund, $this>
     */
    public function refund(): BelongsTo
    {
        return $this->belongsTo(Refund::class);
    }

    /**
     * @return BelongsTo<OrderPayment, $this>
     */
    public function payment(): BelongsTo
    {
        return $this->belongsTo(OrderPayment::class, 'order_payment_id');
    }

    protected function casts(): array
    {
        return ['state' => PayoutState::class, 'next_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
