<?php

declare(strict_types=1);

namespace App\Channels;

use App\Team\Team;
use Cairnfield\Core\Threading\ReplyToken;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Str;

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
 * @property CarbonImmutable|null $last_heard_at
 * @property string|null $last_error
 * @property CarbonImmutable|null $last_error_at
 */
final class Account extends Model
{
    protected $fillable = ['channel', 'address', 'sender_name', 'signature', 'team_id', 'state', 'settings', 'secrets'];

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
        $accounts = self::query()->where('channel', Channel::Email)->orderBy('id')->get();

        return $accounts->first(static fn (self $account): bool => in_array(mb_strtolower($account->address), $bare, true))
            ?? $accounts->first();
    }

    /**
     * The part that people use to tell the team's addresses apart: `care@`.
     */
    public function shortAddress(): string
    {
        return Str::before($this->address, '@').'@';
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
            'last_heard_at' => 'immutable_datetime',
            'last_error_at' => 'immutable_datetime',
        ];
    }
}
