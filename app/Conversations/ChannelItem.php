<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Channels\ItemSubject;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\SenderHandle;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that a network or marketplace told us of, whether it became a message or is only listed.
 *
 * @property int $id
 * @property int $account_id
 * @property Channel $channel
 * @property string $outside_id
 * @property ItemKind $kind
 * @property bool $public
 * @property string|null $thread
 * @property string $author_kind
 * @property string $author
 * @property string $author_shown
 * @property string $author_name
 * @property string $text
 * @property list<string> $earlier_texts
 * @property int $revision
 * @property CarbonImmutable $posted_at
 * @property CarbonImmutable|null $removed_at
 * @property CarbonImmutable|null $liked_at
 * @property CarbonImmutable|null $reposted_at
 * @property int|null $message_id
 * @property int|null $conversation_id
 * @property Account $account
 * @property Conversation|null $conversation
 */
final class ChannelItem extends Row
{
    protected $table = 'channel_items';

    protected $guarded = ['*'];

    /**
     * As it would be received now.
     */
    public function toReceived(): ReceivedMessage
    {
        return ReceivedMessage::item(
            $this->channel,
            SenderHandle::on($this->channel, $this->author_shown, $this->author_name),
            new OutsideItem($this->outside_id, $this->kind, $this->public, $this->thread, revision: $this->revision),
            ItemSubject::of($this->text),
            $this->text,
            $this->posted_at,
        );
    }

    /**
     * @return BelongsTo<Account, $this>
     */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    protected function casts(): array
    {
        return [
            'channel' => Channel::class,
            'kind' => ItemKind::class,
            'public' => 'boolean',
            'earlier_texts' => 'array',
            'posted_at' => 'immutable_datetime',
            'removed_at' => 'immutable_datetime',
            'liked_at' => 'immutable_datetime',
            'reposted_at' => 'immutable_datetime',
        ];
    }
}
