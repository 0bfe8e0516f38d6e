<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Conversations\Conversation;
use App\CreditNotes\CreditNote;
use App\Orders\Order;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Money given back of an order, with the worksheet it was given from. Changed only by the actions of this folder.
 *
 * @property int $id
 * @property int $order_id
 * @property int|null $conversation_id
 * @property int|null $teammate_id
 * @property RefundState $state
 * @property string $once_key
 * @property string $reason
 * @property string $currency ISO 4217; all amounts are its smallest units
 * @property array<string, mixed> $chosen as the worksheet was filled in
 * @property list<string> $explained how each cent came about
 * @property int $delivery_net
 * @property int $delivery_tax
 * @property int $delivery_gross
 * @property int $fee
 * @property int $deduction what an inspection took off
 * @property int $kept of the total, what pays for other goods and does not go back
 * @property int|null $return_id the return that it settles
 * @property int $label
 * @property int $goodwill
 * @property int $total
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable|null $book_next_at when the shop is told next; null where it knows, or is not told yet
 * @property int $book_attempts
 * @property CarbonImmutable|null $note_next_at when its credit note is issued
 * @property int|null $tell_template_id with which the customer is told
 * @property string|null $tell_when asked, or done
 * @property CarbonImmutable|null $tell_next_at
 * @property string|null $tell_why why the customer was not told
 * @property CarbonImmutable|null $told_at
 * @property Collection<int, CreditNote> $creditNotes
 * @property Order $order
 * @property Conversation|null $conversation
 * @property Teammate|null $teammate
 * @property Collection<int, RefundLine> $lines
 * @property Collection<int, Payout> $payouts
 */
final class Refund extends Row
{
    public $timestamps = false;

    protected $table = 'refunds';

    protected $guarded = ['*'];

    protected $attributes = ['deduction' => 0, 'return_id' => null, 'kept' => 0];

    /**
     * @return BelongsTo<Order, $this>
     */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return HasMany<RefundLine, $this>
     */
    public function lines(): HasMany
    {
        return $this->hasMany(RefundLine::class);
    }

    /**
     * @return HasMany<Payout, $this>
     */
    public function payouts(): HasMany
    {
        return $this->hasMany(Payout::class);
    }

    /**
     * Whether it waits still, and nobody has been asked for any of it. With its payouts loaded.
     */
    public function hasNotLeft(): bool
    {
        return $this->state === RefundState::Requested && $this->payouts->isNotEmpty() && $this->payouts->every(
            static fn (Payout $payout): bool => $payout->hasNotLeft()
        );
    }

    /**
     * What goes back of it, in smallest units.
     */
    public function goesBack(): int
    {
        return $this->total - $this->kept;
    }

    /**
     * @return HasMany<CreditNote, $this>
     */
    public function creditNotes(): HasMany
    {
        $notes = $this->hasMany(CreditNote::class);
        $notes->orderBy('number');

        return $notes;
    }

    protected function casts(): array
    {
        return [
            'state' => RefundState::class, 'chosen' => 'array', 'explained' => 'array', 'asked_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime', 'book_next_at' => 'immutable_datetime', 'note_next_at' => 'immutable_datetime',
            'tell_next_at' => 'immutable_datetime', 'told_at' => 'immutable_datetime',
        ];
    }
}
