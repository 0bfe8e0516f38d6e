<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Channels\Account;
use App\Support\ProcessMark;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A message on its way out. Written in the same transaction as the message, so that neither is
 * without the other.
 *
 * @property int $id
 * @property int $message_id
 * @property int $account_id
 * @property list<string> $recipients
 * @property string $state
 * @property int $attempts
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $lease_until
 * @property string|null $held_by the process that delivers it
 * @property string|null $last_error
 * @property CarbonImmutable|null $sent_at
 * @property array<string, mixed>|null $before the conversation as it was, while it can be called back
 * @property Message $message
 * @property Account $account
 */
final class OutboxItem extends Row
{
    public const DUE = 'due';

    public const SENT = 'sent';

    public const FAILED = 'failed';

    public const CALLED_BACK = 'back';

    protected $table = 'outbox';

    protected $guarded = ['*'];

    /**
     * @param  list<string>  $recipients
     * @param  int  $waits  seconds for which it can still be called back
     * @param  array<string, mixed>|null  $before  the conversation as it was before
     */
    public static function queue(Message $message, array $recipients, int $waits = 0, ?array $before = null): self
    {
        $item = new self;
        $item->forceFill([
            'message_id' => $message->id,
            'account_id' => $message->account_id,
            'recipients' => $recipients,
            'state' => self::DUE,
            'due_at' => now()->addSeconds($waits),
            'before' => $waits > 0 ? $before : null,
        ])->save();

        return $item;
    }

    public function canBeCalledBack(): bool
    {
        return $this->state === self::DUE && $this->attempts === 0 && $this->lease_until === null && $this->before !== null;
    }

    /**
     * Takes hold of a due item for the length of a lease, unless somebody else holds it. A worker that dies lets go as soon as
     * that is seen, at the latest when the lease runs out.
     */
    public static function lease(int $id): ?self
    {
        $leased = self::query()
            ->whereKey($id)
            ->where('state', self::DUE)
            ->where('due_at', '<=', now())
            ->where(fn ($query) => $query->whereNull('lease_until')->orWhere('lease_until', '<', now()))
            ->update([
                'lease_until' => now()->addSeconds((int) config('cairnfield.outbox.lease_seconds')), 'held_by' => ProcessMark::own(),
            ]);

        return $leased === 1
            ? self::query()->with(['message.attachments', 'message.conversation', 'message.teammate', 'account'])->find($id)
            : null;
    }

    /**
     * Lets go of what is held by processes that have ended.
     */
    public static function freeOfTheDead(): void
    {
        $held = self::query()
            ->where('state', self::DUE)
            ->where('lease_until', '>=', now())
            ->whereNotNull('held_by')
            ->pluck('held_by', 'id');
        foreach ($held->filter(static fn (string $mark): bool => ProcessMark::isGone($mark)) as $id => $mark) {
            self::query()->whereKey($id)->where('held_by', $mark)->update(['lease_until' => null, 'held_by' => null]);
        }
    }

    /**
     * @return BelongsTo<Message, $this>
     */
    public function message(): BelongsTo
    {
        return $this->belongsTo(Message::class);
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
        return [
            'recipients' => 'array',
            'before' => 'array',
            'due_at' => 'immutable_datetime',
            'lease_until' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
        ];
    }
}
