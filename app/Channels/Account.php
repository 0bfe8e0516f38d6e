<?php

declare(strict_types=1);

namespace App\Channels;

use App\Support\Row;
use App\Team\Team;
use Cairnfield\Core\Threading\ReplyToken;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/**
 * One address on one channel, with what is needed to hear and to speak through it.
 *
 * @property int $id
 * @property Channel $channel
 * @property string $address
 * @property string $sender_name
 * @property string|null $signature
 * @property int|null $team_id
 * @property AccountState $state
 * @property array<string, mixed> $settings
 * @property array<string, string> $secrets
 * @property int|null $uid_validity
 * @property int $last_uid
 * @property int|null $reading_uid
 * @property int $reading_attempts
 * @property bool $takes_details
 * @property CarbonImmutable|null $details_tried_at
 * @property array<string, mixed>|null $arrivals
 * @property string|null $cursor
 * @property CarbonImmutable|null $last_heard_at
 * @property string|null $last_error
 * @property CarbonImmutable|null $last_error_at
 */
final class Account extends Row
{
    protected $table = 'accounts';

    protected $fillable = ['channel', 'address', 'sender_name', 'signature', 'team_id', 'state', 'settings', 'secrets', 'arrivals'];

    protected $hidden = ['secrets'];

    protected $attributes = ['state' => 'active'];

    /**
     * @return BelongsTo<Team, $this>
     */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /**
     * The account that a mail was written to, else the first one: somebody must get it.
     *
     * @param  list<string>  $addresses
     */
    public static function forMailTo(array $addresses): ?self
    {
        $bare = array_map(static fn (string $address): string => mb_strtolower(ReplyToken::withoutDetail($address)), $addresses);
        $accounts = self::query()->whereIn('channel', Channel::mail())->orderBy('id')->get();

        return $accounts->first(static fn (self $account): bool => in_array(mb_strtolower($account->address), $bare, true))
            ?? $accounts->first();
    }

    /**
     * The part that people use to tell the team's addresses apart: `care@`.
     */
    public function shortAddress(): string
    {
        return $this->channel->isMail() ? Str::before($this->address, '@').'@' : $this->address;
    }

    /**
     * Its way and its name, where both are needed to know it: `Pennon @brindlekites`.
     */
    public function title(): string
    {
        return $this->channel->isMail() ? $this->address : "{$this->channel->label()} {$this->address}";
    }

    public function arrivals(): Arrivals
    {
        return Arrivals::fromStored($this->arrivals);
    }

    /**
     * The account that the team writes mail from where a message came by a way that takes no answers.
     */
    public function answersByMail(): ?self
    {
        if ($this->channel->isMail()) {
            return $this;
        }
        $mail = self::query()->whereIn('channel', Channel::mail())->where('state', AccountState::Active);

        return (clone $mail)->whereKey((int) ($this->settings['answers_by'] ?? 0))->first() ?? $mail->orderBy('id')->first();
    }

    /**
     * For an account that is answered by mail: from which.
     */
    public static function answersByField(string $label): AccountField
    {
        $mail = self::query()->whereIn('channel', Channel::mail())->orderBy('id')->pluck('address', 'id')->all();

        return AccountField::choice('answers_by', $label, ['nullable', Rule::in(array_keys($mail))], $mail);
    }

    /**
     * Those that cannot be read, or not wholly.
     *
     * @param  int  $seconds  since when nothing was heard of them, at least
     * @return Builder<self>
     */
    public static function troubled(int $seconds = 0): Builder
    {
        return self::query()
            ->where('state', AccountState::Active)
            ->whereNotNull('last_error')
            ->when($seconds > 0, static fn (Builder $all): Builder => $all->where(
                static fn (Builder $silent): Builder => $silent
                    ->whereNull('last_heard_at')
                    ->orWhere('last_heard_at', '<', now()->subSeconds($seconds))
            ));
    }

    public function heard(): void
    {
        $this->forceFill(['last_heard_at' => now(), 'last_error' => null, 'last_error_at' => null])->save();
    }

    public function wentWrong(string $reason): void
    {
        $this->forceFill(['last_error' => Str::limit($reason, 990), 'last_error_at' => now()])->save();
    }

    protected function casts(): array
    {
        return [
            'channel' => Channel::class,
            'state' => AccountState::class,
            'settings' => 'array',
            'secrets' => 'encrypted:array',
            'arrivals' => 'array',
            'takes_details' => 'boolean',
            'details_tried_at' => 'immutable_datetime',
            'last_heard_at' => 'immutable_datetime',
            'last_error_at' => 'immutable_datetime',
        ];
    }
}
