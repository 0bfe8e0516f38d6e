<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Support\Row;
use App\Support\StoresRows;
use App\Team\Teammate;
use Cairnfield\Core\Mail\SenderCheck;
use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Text\FoldedText;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Str;

/**
 * Something said by the customer (`in`) or to them (`out`).
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $account_id
 * @property int|null $teammate_id
 * @property string $direction
 * @property string $from_name
 * @property string $from_address
 * @property string|null $reply_to
 * @property list<string> $to
 * @property list<string> $cc
 * @property string $subject
 * @property string $message_id
 * @property string $message_id_key
 * @property string|null $in_reply_to
 * @property string|null $references
 * @property string $text
 * @property string|null $html
 * @property bool $automatic
 * @property list<string> $marks
 * @property SenderCheck|null $sender_check what a mail server that is believed says of whether it comes from whom it says
 * @property CarbonImmutable|null $sent_at
 * @property CarbonImmutable $received_at
 * @property string|null $original
 * @property int|null $original_size
 * @property string $once_key
 * @property bool $public everybody can read it
 * @property ItemKind $kind
 * @property string|null $outside_id
 * @property string|null $language
 * @property Mood|null $mood how upset the customer sounds; null where nobody has read it
 * @property list<string>|null $mood_words what it was read from
 * @property list<array{kind: string, last4: string}>|null $redacted what was taken out of it on arrival
 * @property list<string>|null $earlier_texts before it was changed at its source, the oldest first
 * @property CarbonImmutable|null $edited_at
 * @property CarbonImmutable|null $removed_at
 * @property list<string>|null $bcc
 * @property CarbonImmutable|null $called_back_at
 * @property bool $forwarded passed on to somebody else, not said to the customer
 * @property int|null $partner_thread_id
 * @property Conversation $conversation
 * @property Account $account
 * @property Teammate|null $teammate
 * @property OutboxItem|null $outboxItem
 * @property ChannelItem|null $channelItem
 * @property Collection<int, Attachment> $attachments
 */
final class Message extends Row
{
    use StoresRows;

    protected $table = 'messages';

    public const IN = 'in';

    public const OUT = 'out';

    protected $guarded = ['*'];

    protected $attributes = ['kind' => 'message', 'public' => false, 'forwarded' => false];

    /**
     * Under which an answer is stored once, however often its form is sent.
     */
    public static function onceKeyOfReply(int $teammateId, string $formKey): string
    {
        return hash('sha256', "reply:{$teammateId}:{$formKey}");
    }

    /**
     * The same for a question to a partner.
     */
    public static function onceKeyOfQuestion(int $teammateId, string $formKey): string
    {
        return hash('sha256', "partner:{$teammateId}:{$formKey}");
    }

    public static function keyOfId(string $messageId): string
    {
        return hash('sha256', $messageId);
    }

    /**
     * What the queue shows of it: how it begins, without what it quotes.
     */
    public static function previewOf(string $text): string
    {
        return Str::limit(Str::squish(FoldedText::of($text)->own()), 200, '…');
    }

    /**
     * To whom it went beside us, and where it asks for answers, as far as it says: `, to a@…, copy to b@…, asks for answers at c@…`.
     */
    public function alsoWentTo(): string
    {
        $isAskedElsewhere = (string) $this->reply_to !== ''
            && mb_strtolower((string) $this->reply_to) !== mb_strtolower($this->from_address);

        return (count($this->to) > 1 ? ' to '.implode(', ', $this->to) : '')
            .($this->cc === [] ? '' : ', copy to '.implode(', ', $this->cc))
            .($isAskedElsewhere ? ", asks for answers at {$this->reply_to}" : '');
    }

    public function isIncoming(): bool
    {
        return $this->direction === self::IN;
    }

    /**
     * Ids of the messages before it, the oldest first.
     *
     * @return list<string>
     */
    public function referenceIds(): array
    {
        return array_values(array_filter(explode(' ', (string) $this->references)));
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

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

    /**
     * @return HasMany<Attachment, $this>
     */
    public function attachments(): HasMany
    {
        return $this->hasMany(Attachment::class);
    }

    /**
     * What it is at its source.
     *
     * @return HasOne<ChannelItem, $this>
     */
    public function channelItem(): HasOne
    {
        return $this->hasOne(ChannelItem::class);
    }

    /**
     * @return HasOne<OutboxItem, $this>
     */
    public function outboxItem(): HasOne
    {
        return $this->hasOne(OutboxItem::class);
    }

    protected function casts(): array
    {
        return [
            'mood' => Mood::class,
            'sender_check' => SenderCheck::class,
            'mood_words' => 'array',
            'to' => 'array',
            'cc' => 'array',
            'marks' => 'array',
            'bcc' => 'array',
            'called_back_at' => 'immutable_datetime',
            'forwarded' => 'boolean',
            'automatic' => 'boolean',
            'public' => 'boolean',
            'kind' => ItemKind::class,
            'redacted' => 'array',
            'earlier_texts' => 'array',
            'edited_at' => 'immutable_datetime',
            'removed_at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'received_at' => 'immutable_datetime',
        ];
    }
}
