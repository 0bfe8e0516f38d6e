<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A message that could not be read, kept whole, with the reason, until an administrator has seen to it.
 *
 * @property int $id
 * @property int|null $account_id
 * @property string $sha256
 * @property string $original
 * @property int $size
 * @property string $reason
 * @property string $from
 * @property string $subject
 * @property string $state
 * @property CarbonImmutable $received_at
 * @property Account|null $account
 */
final class UnreadableMail extends Row
{
    /** Waits for an administrator. */
    public const KEPT = 'kept';

    /** Became a message after all. */
    public const TAKEN = 'taken';

    /** An administrator needs nothing of it. */
    public const PUT_ASIDE = 'put_aside';

    protected $table = 'unreadable_mail';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    protected function casts(): array
    {
        return ['received_at' => 'immutable_datetime'];
    }
}
