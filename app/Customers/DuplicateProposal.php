<?php

declare(strict_types=1);

namespace App\Customers;

use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Two customers who are likely one person, with the reasons, until somebody has decided.
 *
 * @property int $id
 * @property int $one_id
 * @property int $other_id
 * @property int $points
 * @property list<string> $reasons
 * @property string $state
 * @property Customer $one
 * @property Customer $other
 */
final class DuplicateProposal extends Row
{
    protected $table = 'duplicate_proposals';

    public const PROPOSED = 'proposed';

    public const MERGED = 'merged';

    /** Somebody has said that they are two. It is not proposed again. */
    public const DISMISSED = 'dismissed';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function one(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function other(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    protected function casts(): array
    {
        return ['reasons' => 'array'];
    }
}
