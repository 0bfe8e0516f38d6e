<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Orders\Order;
use App\Refunds\Refund;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Something that a customer sends back, from its asking to its end. Changed only by the actions of this folder.
 *
 * @property int $id
 * @property int $order_id
 * @property int|null $customer_id
 * @property int|null $conversation_id
 * @property int $reason_id
 * @property int|null $policy_id
 * @property int $policy_version
 * @property array<string, mixed> $terms the policy as it was when it began
 * @property ReturnState $state
 * @property int|null $teammate_id who asked for it here; null for the customer
 * @property string $once_key
 * @property string $note what the customer said
 * @property CarbonImmutable|null $last_day until when it may come back; null where the order is not sent yet
 * @property bool $stays whether the customer keeps the goods
 * @property int|null $decided_by
 * @property string $why why it was declined
 * @property string $label_key by which the customer fetches the label
 * @property string|null $label_number of its parcel
 * @property string|null $label_file where the label is kept
 * @property string|null $label_why why there is none yet
 * @property CarbonImmutable|null $label_next_at when the carrier is asked for it next
 * @property int $label_attempts
 * @property int|null $inspected_by
 * @property SettledAs|null $settled_as
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $agreed_at
 * @property CarbonImmutable|null $sent_at when its parcel was first scanned
 * @property CarbonImmutable|null $seen_at when it was last scanned
 * @property CarbonImmutable|null $arrived_at
 * @property CarbonImmutable|null $inspected_at
 * @property CarbonImmutable|null $settled_at
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable|null $due_at until when the next step is promised, by the calendar of the bench
 * @property CarbonImmutable|null $remind_at
 * @property CarbonImmutable|null $lapse_at
 * @property CarbonImmutable|null $stock_next_at when the shop is told next what came back
 * @property int $stock_attempts
 * @property Order $order
 * @property ReturnReason $reason
 * @property Customer|null $customer
 * @property Conversation|null $conversation
 * @property Teammate|null $teammate
 * @property Teammate|null $inspector
 * @property Collection<int, ReturnLine> $lines
 * @property Collection<int, ReturnUnit> $units
 * @property Collection<int, ReturnPhoto> $photos
 * @property Collection<int, ReturnNotice> $notices
 * @property Collection<int, Refund> $refunds
 */
final class CustomerReturn extends Row
{
    public $timestamps = false;

    protected $table = 'returns';

    protected $guarded = ['*'];

    protected $attributes = ['note' => '', 'why' => '', 'stays' => false, 'label_attempts' => 0, 'stock_attempts' => 0];

    /** Up to two years off for what is faulty: with the year where it is not this one. */
    public function mayComeUntil(): string
    {
        return $this->last_day?->format($this->last_day->isCurrentYear() ? 'j M' : 'j M Y') ?? '—';
    }

    /**
     * The return that a form of its order begins from; null where that names none, as 0.
     */
    public static function ofOrder(Order $order, int $id): ?self
    {
        return $id === 0 ? null : self::query()->where('order_id', $order->id)->with(['lines', 'units', 'reason'])->findOrFail($id);
    }

    public function number(): string
    {
        return sprintf('R-%04d', $this->id);
    }

    /**
     * The id behind a number such as R-0219; null where it is none.
     */
    public static function idOf(string $number): ?int
    {
        return preg_match('/^\s*R-?0*(\d{1,9})\s*$/i', $number, $found) === 1 ? (int) $found[1] : null;
    }

    public function agreedTerms(): ReturnTerms
    {
        return ReturnTerms::ofArray($this->terms);
    }

    /**
     * Where the customer fetches the label; null where they need none.
     */
    public function labelLink(): ?string
    {
        return $this->state->isExpected() && ($this->label_file !== null || $this->label_next_at !== null)
            ? rtrim((string) config('app.url'), '/').route('label', ['key' => $this->label_key], false)
            : null;
    }

    /**
     * Whether the parcel has not been seen for long.
     */
    public function isStuck(): bool
    {
        return $this->state === ReturnState::OnItsWay && $this->seen_at !== null
            && $this->seen_at->lessThan(now()->subDays(ReturnSettings::stuckAfter()));
    }

    public function quantity(): int
    {
        return (int) $this->lines->sum('quantity');
    }

    /**
     * What is in it, in one line.
     */
    public function what(): string
    {
        return $this->lines->map(static fn (ReturnLine $line): string => $line->orderLine->title.(
            $line->quantity > 1 ? " × {$line->quantity}" : ''
        ))->implode(', ');
    }

    /**
     * @return BelongsTo<Order, $this>
     */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /**
     * @return BelongsTo<ReturnReason, $this>
     */
    public function reason(): BelongsTo
    {
        return $this->belongsTo(ReturnReason::class, 'reason_id');
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
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
     * @return BelongsTo<Teammate, $this>
     */
    public function inspector(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'inspected_by');
    }

    /**
     * @return HasMany<ReturnLine, $this>
     */
    public function lines(): HasMany
    {
        return $this->hasMany(ReturnLine::class, 'return_id');
    }

    /**
     * @return HasMany<ReturnUnit, $this>
     */
    public function units(): HasMany
    {
        return $this->hasMany(ReturnUnit::class, 'return_id');
    }

    /**
     * @return HasMany<ReturnPhoto, $this>
     */
    public function photos(): HasMany
    {
        return $this->hasMany(ReturnPhoto::class, 'return_id');
    }

    /**
     * @return HasMany<ReturnNotice, $this>
     */
    public function notices(): HasMany
    {
        $notices = $this->hasMany(ReturnNotice::class, 'return_id');
        $notices->orderBy('id');

        return $notices;
    }

    /**
     * @return HasMany<Refund, $this>
     */
    public function refunds(): HasMany
    {
        return $this->hasMany(Refund::class, 'return_id');
    }

    protected function casts(): array
    {
        return [
            'state' => ReturnState::class, 'settled_as' => SettledAs::class, 'terms' => 'array', 'stays' => 'boolean',
            'last_day' => 'immutable_date',
            ...array_fill_keys([
                'asked_at', 'agreed_at', 'sent_at', 'seen_at', 'arrived_at', 'inspected_at', 'settled_at', 'ended_at', 'due_at',
                'remind_at', 'lapse_at', 'label_next_at', 'stock_next_at',
            ], 'immutable_datetime'),
        ];
    }
}
