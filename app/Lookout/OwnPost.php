<?php

declare(strict_types=1);

namespace App\Lookout;

use App\Channels\Account;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A post of our own, not in answer to anybody.
 *
 * @property int $id
 * @property int $account_id
 * @property int $teammate_id
 * @property string $text
 * @property string $state
 * @property string|null $outside_id
 * @property string|null $last_error
 * @property string $once_key
 * @property CarbonImmutable $created_at
 * @property Account $account
 * @property Teammate $teammate
 */
final class OwnPost extends Row
{
    protected $table = 'own_posts';

    public const DUE = 'due';

    public const SENT = 'sent';

    public const FAILED = 'failed';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }
}
