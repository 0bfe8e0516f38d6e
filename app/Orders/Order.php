<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Fields\HasOwnValues;
use App\Support\Row;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * An order as the shop has it. Money is in the currency's smallest unit. Changed only by `TakeOrder`.
 *
 * @property int $id
 * @property int $account_id
 * @property string $outside_id
 * @property string $number
 * @property string $number_key
 * @property int $version
 * @property string $status
 * @property CarbonImmutable $placed_at
 * @property string $currency
 * @property bool $prices_include_tax
 * @property int|null $customer_id
 * @property string $buyer_name
 * @property string|null $email
 * @property string|null $telephone
 * @property string $address
 * @property string $country
 * @property string|null $marketplace
 * @property string|null $marketplace_number
 * @property string|null $marketplace_key
 * @property int $order_discount
 * @property int $shipping_amount
 * @property int $shipping_refunded
 * @property string $shipping_title
 * @property string $shipping_tax_rate
 * @property int $total
 * @property CarbonImmutable $fetched_at
 * @property Customer|null $customer
 * @property Account $account
 * @property Collection<int, OrderLine> $lines
 * @property Collection<int, OrderPayment> $payments
 * @property Collection<int, Parcel> $parcels
 * @property Collection<int, Conversation> $conversations
 */
final class Order extends Row
{
    use HasOwnValues;

    protected $table = 'orders';

    protected $guarded = ['*'];

    /**
     * With its currency before it: `€119.00`, `kr 250.00`, `JPY 1,250`.
     */
    public function money(int $units): string
    {
        return ShownMoney::of($units, $this->currency);
    }

    /**
     * What it cost, in the currency's main unit.
     */
    public function decimalTotal(): string
    {
        return Money::ofUnits(BigInteger::of($this->total), Currency::of($this->currency))->toDecimal();
    }

    /**
     * How it stands, in a few words: `not sent yet`, `no scan, 6 d`, `delivered`.
     */
    public function standing(): string
    {
        $parcel = $this->parcels->first();
        if ($parcel === null) {
            return match ($this->status) {
                'cancelled' => 'cancelled',
                'unpaid' => 'waits for its payment',
                'returned' => 'returned',
                default => $this->status === 'sent' ? 'sent' : 'not sent yet',
            };
        }
        $progress = $parcel->progress();

        return match (true) {
            $progress->stopped => "no scan, {$progress->daysWithoutScan} d",
            $progress->last !== null => mb_strtolower(ParcelLine::label($progress->last->stage)),
            default => 'sent',
        };
    }

    public function refunded(): int
    {
        return (int) $this->payments->sum('refunded');
    }

    public function captured(): int
    {
        return (int) $this->payments->sum('captured');
    }

    /**
     * The number that the buyer knows, and ours after it where that is another.
     */
    public function title(): string
    {
        return $this->marketplace_number === null ? $this->number : "{$this->number} · {$this->marketplace} {$this->marketplace_number}";
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /**
     * @return HasMany<OrderLine, $this>
     */
    public function lines(): HasMany
    {
        $lines = $this->hasMany(OrderLine::class);
        $lines->orderBy('id');

        return $lines;
    }

    /**
     * @return HasMany<OrderPayment, $this>
     */
    public function payments(): HasMany
    {
        $payments = $this->hasMany(OrderPayment::class);
        $payments->orderBy('id');

        return $payments;
    }

    /**
     * @return HasMany<Parcel, $this>
     */
    public function parcels(): HasMany
    {
        $parcels = $this->hasMany(Parcel::class);
        $parcels->orderBy('id');

        return $parcels;
    }

    /**
     * @return BelongsToMany<Conversation, $this>
     */
    public function conversations(): BelongsToMany
    {
        return $this->belongsToMany(Conversation::class, 'conversation_order')->withPivot(['found_by', 'at', 'verified_at']);
    }

    protected function casts(): array
    {
        return [
            'prices_include_tax' => 'boolean',
            'placed_at' => 'immutable_datetime',
            'fetched_at' => 'immutable_datetime',
        ];
    }
}
