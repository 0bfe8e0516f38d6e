<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\RedactArrival;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What came to an account and could not be taken, or was refused, with the reason. An event that
 * was signed rightly is kept, so that it can be taken later; of others only the size is noted.
 *
 * @property int $id
 * @property int $account_id
 * @property string $way
 * @property string $problem
 * @property string $reason
 * @property string|null $event
 * @property int $size
 * @property string $state
 * @property int $times
 * @property CarbonImmutable $at
 * @property Account $account
 */
final class EventTrace extends Row
{
    protected $table = 'event_traces';

    public const KEPT = 'kept';

    /** Only noted: there is nothing that could be taken. */
    public const NOTED = 'noted';

    public const TAKEN = 'taken';

    public const PUT_ASIDE = 'put_aside';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @param  string|null  $event  the JSON of an event that may be taken later
     */
    public static function write(Account $account, string $way, string $problem, string $reason, ?string $event = null, int $size = 0): void
    {
        $redact = app(RedactArrival::class);
        $kept = $event === null ? null : $redact->plain(mb_substr($event, 0, 1_000_000));
        $reason = $redact->plain($reason);
        $key = hash('sha256', implode("\0", [$account->id, $problem, $event ?? $reason.now()->format('Y-m-d H')]));
        self::query()->upsert([[
            'account_id' => $account->id,
            'way' => $way,
            'problem' => $problem,
            'reason' => mb_substr($reason, 0, 1000),
            'event' => $kept,
            'size' => $size === 0 ? strlen((string) $event) : $size,
            'state' => $event === null ? self::NOTED : self::KEPT,
            'times' => 1,
            'same_key' => $key,
            'at' => now(),
        ]], ['same_key'], ['times' => self::query()->getConnection()->raw('times + 1'), 'at' => now(), 'reason' => mb_substr($reason,
            0,
            1000)]);
    }

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
