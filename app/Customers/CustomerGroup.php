<?php

declare(strict_types=1);

namespace App\Customers;

use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * Customers who have something in common, by what is known of them.
 *
 * @property int $id
 * @property string $name
 * @property int $place how early its customers come in the queue: 1 first, 3 early, 5 like everybody
 * @property list<array{field: string, is: string}> $conditions all of which must hold
 */
final class CustomerGroup extends Row
{
    protected $table = 'customer_groups';

    protected $guarded = ['*'];

    /**
     * @return BelongsToMany<Customer, $this>
     */
    public function customers(): BelongsToMany
    {
        return $this->belongsToMany(Customer::class, 'customer_group_members', 'group_id', 'customer_id');
    }

    protected function casts(): array
    {
        return ['conditions' => 'array'];
    }
}
