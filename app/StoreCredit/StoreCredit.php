<?php

declare(strict_types=1);

namespace App\StoreCredit;

use App\Customers\Customer;
use App\Refunds\Payout;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A code for which a customer can still buy, as the shop has it.
 *
 * @property int $id
 * @property int $account_id
 * @property string $code
 * @property int|null $customer_id
 * @property int|null $payout_id what it was given for
 * @property string $currency
 * @property int $bonus smallest units, of what was given
 * @property CarbonImmutable $given_at
 * @property Customer|null $customer
 * @property Payout|null $payout
 * @property Collection<int, CreditEntry> $entries
 */
final class StoreCredit extends Row
{
    public $timestamps = false;

    protected $table = 'store_credits';

    protected $guarded = ['*'];

    /**
     * What is left, in smallest units.
     */
    public function balance(): int
    {
        return (int) $this->entries->sum('amount');
    }

    /**
     * @return HasMany<CreditEntry, $this>
     */
    public function entries(): HasMany
    {
        $entries = $this->hasMany(CreditEntry::class);
        $entries->orderBy('at')->orderBy('id');

        return $entries;
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /**
     * @return BelongsTo<Payout, $this>
     */
    public function payout(): BelongsTo
    {
        return $this->belongsTo(Payout::class);
    }

    protected function casts(): array
    {
        return ['given_at' => 'immutable_datetime'];
    }
}
