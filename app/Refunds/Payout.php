<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\OrderPayment;
use App\StoreCredit\StoreCredit;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * The part of a refund that goes to one payment.
 *
 * @property int $id
 * @property int $refund_id
 * @property int $order_payment_id
 * @property int $amount smallest units
 * @property PayoutMethod $method how it goes back
 * @property int $bonus smallest units, which store credit adds
 * @property bool $was_kept for an exchange that was given up
 * @property string|null $other_way in which it is paid, in words
 * @property int|null $proposed_by
 * @property int|null $agreed_by
 * @property PayoutState $state
 * @property string $once under which the provider is asked for it, however often
 * @property string|null $outside_id the provider's own number of it
 * @property string|null $why it failed, or has not gone through yet
 * @property int $attempts
 * @property CarbonImmutable|null $next_at when the provider is asked next; null where nothing is to be asked
 * @property CarbonImmutable|null $leaves_at until when it can be taken back; null for never
 * @property CarbonImmutable|null $ended_at
 * @property Refund $refund
 * @property OrderPayment $payment
 */
final class Payout extends Row
{
    public $timestamps = false;

    protected $table = 'payouts';

    protected $guarded = ['*'];

    protected $attributes = ['method' => 'payment', 'bonus' => 0, 'was_kept' => false];

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

    /**
     * Where it goes, as people read it.
     */
    public function to(): string
    {
        return match ($this->method) {
            PayoutMethod::Payment => $this->payment->label,
            PayoutMethod::Credit => 'Store credit'.($this->outside_id === null ? '' : " {$this->outside_id}"),
            PayoutMethod::Kept => 'Kept for what is sent in exchange',
            PayoutMethod::Other => (string) $this->other_way,
        };
    }

    /**
     * Whether nobody has been asked for it yet: a worker that takes it up moves when it is due, and it may be paid from then on.
     */
    public function hasNotLeft(): bool
    {
        return $this->state === PayoutState::Requested && $this->leaves_at?->isFuture() === true
            && $this->next_at?->equalTo($this->leaves_at) === true;
    }

    /**
     * @return HasOne<StoreCredit, $this>
     */
    public function storeCredit(): HasOne
    {
        return $this->hasOne(StoreCredit::class);
    }

    protected function casts(): array
    {
        return ['state' => PayoutState::class, 'method' => PayoutMethod::class, 'next_at' => 'immutable_datetime',
            'was_kept' => 'boolean', 'leaves_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
