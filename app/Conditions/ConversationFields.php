<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Channels\Account;
use App\Channels\Channel;
use App\Companies\Company;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Customers\CustomerGroup;
use App\Fields\OwnField;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Team\Teammate;
use BackedEnum;
use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Carbon\CarbonInterface;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Locale;

/**
 * Everything that can be asked of a conversation, in views, rules and searches. People, teams, categories,
 * outcomes, tags and accounts are named by their number, so that a condition outlives their renaming.
 */
final class ConversationFields implements Fields
{
    private const SORTED = [
        'state' => 'State', 'owner' => 'Owner', 'team' => 'Team', 'category' => 'Category', 'priority' => 'Priority',
        'outcome' => 'Outcome', 'channel' => 'Way in', 'account' => 'Account', 'language' => 'Language', 'mood' => 'Mood',
    ];

    private const TEXTS = ['subject' => 'Subject', 'customer_name' => 'Customer’s name'];

    private const LISTS = ['tags' => 'Tags', 'customer_group' => 'Customer’s group', 'company' => 'Customer’s company'];

    private const YES_NO = [
        'unanswered' => 'The customer waits', 'public' => 'Said in public', 'automatic' => 'Written by a machine',
        'answered' => 'Answered at least once', 'has_file' => 'Has a file', 'reached_up' => 'Reached upwards',
    ];

    private const NUMBERS = [
        'waiting_hours' => 'Hours the customer has waited',
        'quiet_hours' => 'Hours since the last message',
        'age_days' => 'Days since it began',
        'orders' => 'Orders beside it', 'stars' => 'Stars of a review', 'rating' => 'Stars for our answers',
    ];

    /** @var array<string, Field> those that were asked for */
    private array $made = [];

    /** @var list<OwnField>|null */
    private ?array $ownFields = null;

    /**
     * @throws UnknownField
     */
    public function get(string $key): Field
    {
        return $this->made[$key] ??= $this->make($key);
    }

    /**
     * @return array<string, Field> by their keys
     */
    public function all(): array
    {
        $fields = [];
        foreach (
            [
                ...array_keys(self::SORTED), ...array_keys(self::TEXTS), ...array_keys(self::LISTS), ...array_keys(self::YES_NO),
                ...array_keys(self::NUMBERS),
            ] as $key
        ) {
            $fields[$key] = $this->get($key);
        }
        foreach ($this->ownFields() as $own) {
            $field = new OwnValueField($own);
            $fields[$field->key()] = $field;
        }

        return $fields;
    }

    /**
     * What a condition needs to know of a conversation.
     *
     * @throws UnknownField
     */
    public function facts(Conversation $conversation, Condition $condition): Facts
    {
        $values = [];
        foreach ($condition->leaves() as $leaf) {
            $values[$leaf->field] ??= $this->get($leaf->field)->fact($conversation);
        }

        return Facts::of($values);
    }

    private function make(string $key): Field
    {
        return match (true) {
            isset(self::SORTED[$key]) => $this->sorted($key, self::SORTED[$key]),
            isset(self::TEXTS[$key]) => $this->text($key, self::TEXTS[$key]),
            isset(self::LISTS[$key]) => $this->list($key, self::LISTS[$key]),
            isset(self::YES_NO[$key]) => $this->yesOrNo($key, self::YES_NO[$key]),
            isset(self::NUMBERS[$key]) => $this->number($key, self::NUMBERS[$key]),
            default => $this->own($key),
        };
    }

    private function sorted(string $key, string $label): ChoiceField
    {
        return match ($key) {
            'state' => $this->enumField(
                $key, $label, ConversationState::cases(), static fn (ConversationState $state): string => $state->label()
            ),
            'priority' => $this->enumField($key, $label, Priority::cases(), static fn (Priority $priority): string => $priority->label()),
            'mood' => $this->enumField($key, $label, Mood::cases(), static fn (Mood $mood): string => $mood->value),
            'channel' => $this->enumField(
                $key, $label,
                array_values(array_filter(Channel::cases(), static fn (Channel $channel): bool => $channel->bringsMessages())),
                static fn (Channel $channel): string => $channel->label()
            ),
            'owner' => $this->rows(
                $key, $label, 'owner_id', Teammate::query()->orderBy('name')->get()->all(), ['me' => 'me, whoever looks']
            ),
            'team' => $this->rows($key, $label, 'team_id', Team::query()->orderBy('name')->get()->all()),
            'outcome' => $this->rows($key, $label, 'outcome_id', Outcome::query()->orderBy('position')->get()->all()),
            'category' => $this->category($key, $label),
            'account' => $this->account($key, $label),
            default => $this->language($key, $label),
        };
    }

    private function category(string $key, string $label): ChoiceField
    {
        $categories = Category::query()->orderBy('position')->get();

        return new ChoiceField(
            $key, $label, 'conversations.category_id', $this->withAncestors($categories->all()),
            $this->labels($categories->whereNull('retired_at')->all(), 'path'),
            static fn (Conversation $conversation): ?int => $conversation->category_id
        );
    }

    private function account(string $key, string $label): ChoiceField
    {
        $accounts = Account::query()->orderBy('id')->get()->all();
        $offered = array_filter($accounts, static fn (Account $account): bool => $account->channel->bringsMessages());

        return new ChoiceField(
            $key, $label, 'conversations.account_id', $this->ids($accounts),
            $this->labels($offered, static fn (Account $account): string => $account->title()),
            static fn (Conversation $conversation): int => $conversation->account_id
        );
    }

    private function language(string $key, string $label): ChoiceField
    {
        $languages = DB::table('conversations')->whereNotNull('language')->distinct()->orderBy('language')->pluck('language');

        return new ChoiceField(
            $key, $label, 'conversations.language', $languages->combine($languages)->all(),
            $languages->combine(
                $languages->map(static fn (string $language): string => Locale::getDisplayLanguage($language, 'en') ?: $language)
            )->all(),
            static fn (Conversation $conversation): ?string => $conversation->language
        );
    }

    private function text(string $key, string $label): TextField
    {
        return $key === 'subject'
            ? new TextField(
                $key, $label, 'conversations.subject_folded',
                static fn (Conversation $conversation): string => $conversation->subject
            )
            : new TextField(
                $key, $label, 'name_folded', static fn (Conversation $conversation): string => $conversation->customer->name,
                'FROM customers WHERE customers.id = conversations.customer_id'
            );
    }

    private function list(string $key, string $label): LinkedField
    {
        if ($key === 'tags') {
            $tags = Tag::query()->orderBy('folded')->get()->all();

            return new LinkedField(
                $key, $label, 'FROM conversation_tag WHERE conversation_tag.conversation_id = conversations.id', 'tag_id',
                $this->ids($tags, true),
                $this->labels(array_filter($tags, static fn (Tag $tag): bool => $tag->retired_at === null)),
                static fn (Conversation $conversation): array => array_values($conversation->tags->modelKeys())
            );
        }
        if ($key === 'company') {
            return $this->company($key, $label);
        }
        $groups = CustomerGroup::query()->orderBy('name')->get()->all();

        return new LinkedField(
            $key, $label, 'FROM customer_group_members WHERE customer_group_members.customer_id = conversations.customer_id',
            'group_id', $this->ids($groups, true), $this->labels($groups),
            static fn (Conversation $conversation): array => array_values($conversation->customer->groups->modelKeys())
        );
    }

    /**
     * A company is itself and all that was merged into it, so that a condition that asks for one of these finds its people.
     */
    private function company(string $key, string $label): LinkedField
    {
        $companies = Company::query()->orderBy('name_folded')->get();
        $facts = $companies->mapWithKeys(static fn (Company $company): array => [$company->id => [(string) $company->id]])->all();
        $into = $companies->pluck('merged_into_id', 'id');
        foreach ($into->filter() as $merged => $kept) {
            for ($at = $kept; $at !== null; $at = $into[$at] ?? null) {
                $facts[(int) $at][] = (string) $merged;
            }
        }

        return new LinkedField(
            $key, $label, 'FROM customers WHERE customers.id = conversations.customer_id', 'customers.company_id', $facts,
            $this->labels($companies->whereNull('merged_into_id')->all()),
            static fn (Conversation $conversation): array => array_values(array_filter([$conversation->customer->company_id]))
        );
    }

    private function yesOrNo(string $key, string $label): YesNoField
    {
        [$sql, $read] = match ($key) {
            'unanswered' => [
                'conversations.waiting_since IS NOT NULL',
                static fn (Conversation $conversation): bool => $conversation->waiting_since !== null,
            ],
            'public' => ['conversations.public', static fn (Conversation $conversation): bool => $conversation->public],
            'automatic' => ['conversations.automatic', static fn (Conversation $conversation): bool => $conversation->automatic],
            'reached_up' => [
                'conversations.reached_up_at IS NOT NULL',
                static fn (Conversation $conversation): bool => $conversation->reached_up_at !== null,
            ],
            'answered' => [
                'conversations.first_replied_at IS NOT NULL',
                static fn (Conversation $conversation): bool => $conversation->first_replied_at !== null,
            ],
            default => [
                'EXISTS (SELECT 1 FROM messages JOIN attachments ON attachments.message_id = messages.id WHERE '
                    .'messages.conversation_id = conversations.id)',
                static fn (Conversation $conversation): bool => $conversation->loadMissing('files')->files->isNotEmpty(),
            ],
        };

        return new YesNoField($key, $label, $sql, $read);
    }

    private function number(string $key, string $label): NumberField
    {
        return match ($key) {
            'waiting_hours' => $this->since(
                $key, $label, 'waiting_since', 3600,
                static fn (Conversation $conversation): ?CarbonInterface => $conversation->waiting_since
            ),
            'quiet_hours' => $this->since(
                $key, $label, 'last_message_at', 3600,
                static fn (Conversation $conversation): CarbonInterface => $conversation->last_message_at
            ),
            'age_days' => $this->since(
                $key, $label, 'created_at', 86_400,
                static fn (Conversation $conversation): CarbonInterface => $conversation->created_at
            ),
            'orders' => new NumberField(
                $key, $label,
                static fn (): string => '(SELECT COUNT(*) FROM conversation_order WHERE conversation_id = conversations.id)',
                static fn (Conversation $conversation): int => $conversation->loadMissing('orders')->orders->count()
            ),
            'rating' => new NumberField(
                $key, $label,
                static fn (): string => '(SELECT score FROM ratings WHERE ratings.conversation_id = conversations.id)',
                static fn (Conversation $conversation): ?int => $conversation->rating?->score
            ),
            default => new NumberField(
                $key, $label, static fn (): string => 'conversations.stars',
                static fn (Conversation $conversation): ?int => $conversation->stars
            ),
        };
    }

    private function own(string $key): OwnValueField
    {
        foreach ($this->ownFields() as $own) {
            $field = new OwnValueField($own);
            if ($field->key() === $key) {
                return $field;
            }
        }

        throw UnknownField::named($key);
    }

    /**
     * @return list<OwnField>
     */
    private function ownFields(): array
    {
        return $this->ownFields ??= array_values(OwnField::query()->orderBy('position')->orderBy('id')->get()->all());
    }

    /**
     * Whole units of time gone by.
     *
     * @param  Closure(Conversation): ?CarbonInterface  $read
     */
    private function since(string $key, string $label, string $column, int $unit, Closure $read): NumberField
    {
        return new NumberField(
            $key,
            $label,
            static fn (): string => "FLOOR(TIMESTAMPDIFF(SECOND, conversations.{$column}, '".now()->format('Y-m-d H:i:s')."') / {$unit})",
            static function (Conversation $conversation) use ($read, $unit): ?int {
                $since = $read($conversation);

                return $since === null ? null : (int) floor((now()->getTimestamp() - $since->getTimestamp()) / $unit);
            },
        );
    }

    /**
     * @template T of BackedEnum
     *
     * @param  list<T>  $cases
     * @param  Closure(T): string  $label
     */
    private function enumField(string $key, string $title, array $cases, Closure $label): ChoiceField
    {
        $values = array_column($cases, 'value');

        return new ChoiceField($key, $title, "conversations.{$key}", array_combine(
            $values, array_map(strval(...), $values)
        ), array_combine($values, array_map($label, $cases)), static function (Conversation $conversation) use ($key): string {
            $value = $conversation->getAttribute($key);

            return $value instanceof BackedEnum ? (string) $value->value : (string) $value;
        });
    }

    /**
     * @param  array<Model>  $rows
     * @param  array<string, string>  $also  further choices
     */
    private function rows(string $key, string $label, string $column, array $rows, array $also = []): ChoiceField
    {
        return new ChoiceField(
            $key, $label, "conversations.{$column}", $this->ids($rows),
            $also + $this->labels(
                array_filter(
                    $rows,
                    static fn (Model $row): bool => ! $row->hasCast('retired_at') || $row->getAttribute('retired_at') === null
                )
            ),
            static fn (Conversation $conversation): ?int => $conversation->getAttribute($column)
        );
    }

    /**
     * @param  array<Model>  $rows
     * @return ($asLists is true ? array<int, list<string>> : array<int, string|list<string>>) each is itself, and what it was merged into
     */
    private function ids(array $rows, bool $asLists = false): array
    {
        $facts = [];
        foreach ($rows as $row) {
            $id = (string) $row->getKey();
            $mergedInto = $row->hasCast('retired_at') ? $row->getAttribute('merged_into_id') : null;
            $facts[(int) $id] = match (true) {
                $mergedInto !== null => [$id, (string) $mergedInto],
                $asLists => [$id],
                default => $id,
            };
        }

        return $facts;
    }

    /**
     * A category is itself, all above it, and what any of these was merged into.
     *
     * @param  array<Category>  $categories
     * @return array<int, list<string>>
     */
    private function withAncestors(array $categories): array
    {
        $byId = array_column($categories, null, 'id');
        $facts = [];
        foreach ($byId as $id => $category) {
            $known = [$id];
            for ($at = 0; $at < count($known); $at++) {
                $known = array_values(
                    array_unique([
                        ...$known,
                        ...array_filter([$byId[$known[$at]]->parent_id ?? null, $byId[$known[$at]]->merged_into_id ?? null]),
                    ])
                );
            }
            $facts[$id] = array_map(strval(...), $known);
        }

        return $facts;
    }

    /**
     * @template T of Model
     *
     * @param  array<T>  $rows
     * @param  string|Closure(T): string  $label  an attribute, or what makes it
     * @return array<string, string>
     */
    private function labels(array $rows, string|Closure $label = 'name'): array
    {
        $labels = [];
        foreach ($rows as $row) {
            $labels[(string) $row->getKey()] = is_string($label) ? (string) $row->getAttribute($label) : $label($row);
        }

        return $labels;
    }
}
