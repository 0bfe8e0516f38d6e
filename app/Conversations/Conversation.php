<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Conversations\Journal\JournalEntry;
use App\Customers\Customer;
use App\Fields\HasOwnValues;
use App\Orders\Order;
use App\Promises\PromisedKind;
use App\Promises\PromiseStanding;
use App\Ratings\Rating;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Sorting\WhoMayRead;
use App\Support\Row;
use App\Support\StoresRows;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Threading\ConversationNumber;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasManyThrough;
use Illuminate\Database\Eloquent\Relations\HasOne;

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
 * @property Priority $priority
 * @property int $due_group how soon its promise falls due, as the core's DueGroup
 * @property int $next_up where it stands in the queue, smaller comes first
 * @property int $customer_place how early its customer's group comes
 * @property ItemKind $kind what it began as
 * @property bool $public whether anything in it was said where everybody can read it
 * @property string|null $language
 * @property Mood $mood how upset the customer sounds
 * @property string|null $about_title
 * @property string|null $about_url
 * @property int|null $stars
 * @property bool $junk
 * @property list<string>|null $junk_reasons
 * @property int|null $joined_into_id
 * @property int|null $history_import_id
 * @property list<string>|null $standing_copies outside addresses that get everything of it
 * @property string|null $held_reason
 * @property CarbonImmutable|null $bring_back_at
 * @property string $preview
 * @property bool $automatic
 * @property CarbonImmutable|null $waiting_since
 * @property int|null $promise_set_id what is promised in it
 * @property CarbonImmutable|null $due_at when the first of what runs falls due; see Promises\KeepPromises
 * @property PromisedKind|null $due_kind what falls due then
 * @property list<int|null>|null $stones_fall_at when three stones of its cairn fall, in Unix seconds
 * @property CarbonImmutable|null $first_replied_at
 * @property CarbonImmutable $last_message_at
 * @property CarbonImmutable|null $last_customer_message_at
 * @property CarbonImmutable|null $last_answered_at by a person
 * @property CarbonImmutable|null $state_changed_at
 * @property CarbonImmutable|null $parcel_seen_at when the parcel of its latest order was last seen; null where none is waited for
 * @property CarbonImmutable|null $unowned_since null where it has an owner
 * @property CarbonImmutable|null $turn_awaited_since since when it waits for somebody of its team who can take it
 * @property CarbonImmutable|null $reached_up_at when it was handed to a lead because it needs one
 * @property CarbonImmutable $created_at
 * @property Collection<int, Message> $messages
 * @property Collection<int, Attachment> $files
 * @property Collection<int, Order> $orders
 * @property Collection<int, Tag> $tags
 * @property Customer $customer
 * @property Account $account
 * @property Teammate|null $owner
 * @property Team|null $team
 * @property Category|null $category
 * @property Outcome|null $outcome
 * @property Conversation|null $linkedConversation
 * @property Collection<int, self> $joined
 * @property Rating|null $rating
 * @property CarbonImmutable|null $rating_asked_at
 */
final class Conversation extends Row
{
    use HasOwnValues;
    use StoresRows;

    protected $table = 'conversations';

    /** What changes together, and is set back together: a column that joins one of these is undone everywhere. */
    public const STATE = ['state', 'state_changed_at', 'outcome_id', 'held_reason', 'bring_back_at'];

    public const OWNER = ['owner_id', 'unowned_since', 'turn_awaited_since', 'reached_up_at'];

    public const CLOCK = ['waiting_since'];

    /** Set by the actions alone, never from a request. */
    protected $guarded = ['*'];

    protected $attributes = [
        'priority' => 'normal', 'mood' => 'neutral', 'preview' => '', 'automatic' => false, 'kind' => 'message', 'public' => false,
        'junk' => false, 'customer_place' => PlaceInQueue::NO_GROUP,
    ];

    /** @var list<int>|null */
    private ?array $joinedIds = null;

    /**
     * Stores a new one with its place in the queue.
     *
     * @param  array<string, mixed>  $values  by column
     */
    public static function begin(array $values): self
    {
        return self::store([
            ...$values,
            'state_changed_at' => $values['created_at'] ?? now(),
            'unowned_since' => ($values['owner_id'] ?? null) === null ? $values['created_at'] ?? now() : null,
            ...app(PlaceInQueue::class)->of($values),
        ]);
    }

    /**
     * Those that somebody reads: every list, count, search and export begins here.
     *
     * @param  Teammate|null  $for  null for whoever is signed in
     * @return Builder<self>
     */
    public static function readable(?Teammate $for = null): Builder
    {
        return app(WhoMayRead::class)->narrow(self::query(), $for);
    }

    public function number(): string
    {
        return ConversationNumber::show($this->id);
    }

    /**
     * Its own number and those of what was joined into it.
     *
     * @return list<int>
     */
    public function withJoined(): array
    {
        return $this->joinedIds ??= [
            $this->id,
            ...array_values($this->relationLoaded('joined') ? $this->joined->modelKeys() : $this->joined()->pluck('id')->all()),
        ];
    }

    /**
     * How what falls due first stands; null where nothing does.
     */
    public function standing(): ?PromiseStanding
    {
        return $this->due_at === null || $this->due_kind === null
            ? null
            : PromiseStanding::of($this->due_kind, $this->stones_fall_at ?? [], $this->due_at, now());
    }

    /**
     * @return HasOne<Rating, $this>
     */
    public function rating(): HasOne
    {
        return $this->hasOne(Rating::class);
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
     * @return BelongsToMany<Tag, $this>
     */
    public function tags(): BelongsToMany
    {
        return $this->belongsToMany(Tag::class);
    }

    /**
     * @return BelongsToMany<Order, $this>
     */
    public function orders(): BelongsToMany
    {
        return $this->belongsToMany(Order::class, 'conversation_order')->withPivot(['found_by', 'at', 'verified_at'])->orderByPivot('at');
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function joinedInto(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /**
     * Others that were joined into this one.
     *
     * @return HasMany<Conversation, $this>
     */
    public function joined(): HasMany
    {
        return $this->hasMany(self::class, 'joined_into_id');
    }

    /**
     * @return HasMany<Message, $this>
     */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class);
    }

    /**
     * The files of all its messages.
     *
     * @return HasManyThrough<Attachment, Message, $this>
     */
    public function files(): HasManyThrough
    {
        return $this->hasManyThrough(Attachment::class, Message::class);
    }

    /**
     * @return HasMany<JournalEntry, $this>
     */
    public function journal(): HasMany
    {
        return $this->hasMany(JournalEntry::class);
    }

    protected static function booted(): void
    {
        self::saving(static function (self $conversation): void {
            app(PlaceInQueue::class)->set($conversation);
            $conversation->setClocks();
        });
    }

    /**
     * What rules that run with time count from. Where something is set back as it was, they are set back with it.
     */
    private function setClocks(): void
    {
        if ($this->isDirty('state') && ! $this->isDirty('state_changed_at')) {
            $this->setAttribute('state_changed_at', now());
        }
        if ($this->isDirty('owner_id') && ! $this->isDirty('unowned_since')) {
            $this->setAttribute('unowned_since', $this->owner_id === null ? now() : null);
        }
    }

    protected function casts(): array
    {
        return [
            'priority' => Priority::class,
            'mood' => Mood::class,
            'channel' => Channel::class,
            'state' => ConversationState::class,
            'automatic' => 'boolean',
            'kind' => ItemKind::class,
            'public' => 'boolean',
            'junk' => 'boolean',
            'junk_reasons' => 'array',
            'standing_copies' => 'array',
            'bring_back_at' => 'immutable_datetime',
            'waiting_since' => 'immutable_datetime',
            'due_at' => 'immutable_datetime',
            'due_kind' => PromisedKind::class,
            'stones_fall_at' => 'array',
            'first_replied_at' => 'immutable_datetime',
            'last_message_at' => 'immutable_datetime',
            'last_customer_message_at' => 'immutable_datetime',
            'last_answered_at' => 'immutable_datetime',
            'state_changed_at' => 'immutable_datetime',
            'unowned_since' => 'immutable_datetime',
            'turn_awaited_since' => 'immutable_datetime',
            'reached_up_at' => 'immutable_datetime',
            'parcel_seen_at' => 'immutable_datetime',
            'rating_asked_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }
}
