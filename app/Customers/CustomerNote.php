<?php

declare(strict_types=1);

namespace App\Customers;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the team wants to remember of a customer. The customer never sees it.
 *
 * @property int $id
 * @property int $customer_id
 * @property int $teammate_id
 * @property string $text
 * @property CarbonImmutable $created_at
 * @property Teammate $teammate
 */
final class CustomerNote extends Row
{
    protected $table = 'customer_notes';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }
}
