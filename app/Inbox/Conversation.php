<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\Account;
use App\Channels\Channel;
use App\Customers\Customer;
use App\Promises\PromiseStanding;
use App\Promises\StoreHours;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Threading\ConversationNumber;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One matter with one customer. Changed only by the actions of this folder.
 *
 * @property int $id
 * @property string $subject
 * @property string $bare_subject_key
 * @property int $customer_id
 * @property int $account_id
 * @property Channel $channel
 * @property ConversationState $state
 * @property int|null $owner_id
 * @property int|null $team_id
 * @property int|null $category_id
 * @property int|null $outcome_id
 * @property int|null $linked_conversation_id
 * @property string $priority
 * @property string|null $held_reason
 * @property CarbonImmutable|null $bring_back_at
 * @property string $preview
 * @property bool $automatic
 * @property CarbonImmutable|null $waiting_since
 * @property CarbonImmutable|null $due_at
 * @property CarbonImmutable|null $first_replied_at
 * @property CarbonImmutable $last_message_at
 * @property CarbonImmutable|null $last_customer_message_at
 * @property CarbonImmutable $created_at
 * @property Customer $customer
 * @property Account $account
 * @property Teammate|null $owner
 * @property Team|null $team
 * @property Category|null $category
 * @property Outcome|null $outcome
 * @property Conversation|null $linkedConversation
 */
final class Conversation extends Model
{
    /** Set by the actions alone, never from a request. */
    protected $guarded = ['*'];

    protected $attributes = ['priority' => 'normal', 'preview' => '', 'automatic' => false];

    public function number(): string
    {
        return ConversationNumber::show($this->id);
    }

    /**
     * How the promise of an answer stands; null where nobody waits for one.
     */
    public function standing(StoreHours $hours): ?PromiseStanding
    {
        return $this->state === ConversationState::Open && $this->waiting_since !== null && $this->due_at !== null
            ? $hours->standing($this->waiting_since, $this->due_at, now())
            : null;
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
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
    public function owner(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return BelongsTo<Team, $this>
     */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /**
     * @return BelongsTo<Category, $this>
     */
    public function category(): BelongsTo
    {
        return $this->belongsTo(Category::class);
    }

    /**
     * @return BelongsTo<Outcome, $this>
     */
    public function outcome(): BelongsTo
    {
        return $this->belongsTo(Outcome::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function linkedConversation(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /**
     * @return HasMany<Message, $this>
     */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class);
    }

    /**
     * @return HasMany<JournalEntry, $this>
     */
    public function journal(): HasMany
    {
        return $this->hasMany(JournalEntry::class);
    }

    protected function casts(): array
    {
        return [
            'channel' => Channel::class,
            'state' => ConversationState::class,
            'automatic' => 'boolean',
            'bring_back_at' => 'immutable_datetime',
            'waiting_since' => 'immutable_datetime',
            'due_at' => 'immutable_datetime',
            'first_replied_at' => 'immutable_datetime',
            'last_message_at' => 'immutable_datetime',
            'last_customer_message_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }
}
