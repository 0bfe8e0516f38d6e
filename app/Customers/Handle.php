<?php

declare(strict_types=1);

namespace App\Customers;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One address, number or account name of a customer.
 *
 * @property int $id
 * @property int $customer_id
 * @property string $kind
 * @property string $value
 * @property string $shown
 * @property string $why
 * @property Customer $customer
 */
final class Handle extends Model
{
    protected $fillable = ['customer_id', 'kind', 'value', 'shown', 'why'];

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
