<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Channels\Account;
use App\Channels\Channel;
use App\Customers\CustomerGroup;
use App\Fields\OwnField;
use App\Inbox\Category;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\Outcome;
use App\Inbox\Tag;
use App\Team\Team;
use App\Team\Teammate;
use BackedEnum;
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
final class ConversationFields
{
    /** @var array<string, Field>|null */
    private ?array $fields = null;

    /**
     * @throws UnknownField
     */
    public function get(string $key): Field
    {
        return $this->all()[$key] ?? throw UnknownField::named($key);
    }

    /**
     * @return array<string, Field> by their keys
     */
    public function all(): array
    {
        if ($this->fields === null) {
            $this->fields = [];
            foreach ([...$this->sorted(), ...$this->texts(), ...$this->lists(), ...$this->yesOrNo(), ...$this->numbers(), ...$this->own()] as $field) {
                $this->fields[$field->key()] = $field;
            }
        }

        return $this->fields;
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

    /**
     * @return list<Field>
     */
    private function sorted(): array
    {
        $categories = Category::query()->orderBy('position')->get();
        $languages = DB::table('conversations')->whereNotNull('language')->distinct()->orderBy('language')->pluck('language');

        return [
            $this->enumField('state', 'State', ConversationState::cases(), static fn (ConversationState $state): string => $state->label()),
            $this->rows('owner', 'Owner', 'owner_id', Teammate::query()->orderBy('name')->get()->all(), ['me' => 'me, whoever looks']),
            $this->rows('team', 'Team', 'team_id', Team::query()->orderBy('name')->get()->all()),
            new ChoiceField('category', 'Category', 'conversations.category_id', $this->withAncestors($categories->all()), $this->labels($categories->whereNull('retired_at')->all(), 'path'), static fn (Conversation $conversation): ?int => $conversation->category_id),
            $this->enumField('priority', 'Priority', Priority::cases(), static fn (Priority $priority): string => $priority->label()),
            $this->rows('outcome', 'Outcome', 'outcome_id', Outcome::query()->orderBy('position')->get()->all()),
            $this->enumField('channel', 'Way in', array_values(array_filter(Channel::cases(), static fn (Channel $channel): bool => $channel->bringsMessages())), static fn (Channel $channel): string => $channel->label()),
            new ChoiceField('account', 'Account', 'conversations.account_id', $this->ids($accounts = Account::query()->orderBy('id')->get()->all()), $this->labels(array_filter($accounts, static fn (Account $account): bool => $account->channel->bringsMessages()), static fn (Account $account): string => $account->title()), static fn (Conversation $conversation): int => $conversation->account_id),
            new ChoiceField('language', 'Language', 'conversations.language', $languages->combine($languages)->all(), $languages->combine($languages->map(static fn (string $language): string => Locale::getDisplayLanguage($language, 'en') ?: $language))->all(), static fn (Conversation $conversation): ?string => $conversation->language),
        ];
    }

    /**
     * @return list<Field>
     */
    private function texts(): array
    {
        return [
            new TextField('subject', 'Subject', 'conversations.subject_folded', static fn (Conversation $conversation): string => $conversation->subject),
            new TextField('customer_name', 'Customer’s name', 'name_folded', static fn (Conversation $conversation): string => $conversation->customer->name, 'FROM customers WHERE customers.id = conversations.customer_id'),
        ];
    }

    /**
     * @return list<Field>
     */
    private function lists(): array
    {
        $tags = Tag::query()->orderBy('folded')->get()->all();
        $groups = CustomerGroup::query()->orderBy('name')->get()->all();

        return [
            new LinkedField('tags', 'Tags', 'FROM conversation_tag WHERE conversation_tag.conversation_id = conversations.id', 'tag_id', $this->ids($tags, true), $this->labels(array_filter($tags, static fn (Tag $tag): bool => $tag->retired_at === null)), static fn (Conversation $conversation): array => array_values($conversation->tags->modelKeys())),
            new LinkedField('customer_group', 'Customer’s group', 'FROM customer_group_members WHERE customer_group_members.customer_id = conversations.customer_id', 'group_id', $this->ids($groups, true), $this->labels($groups), static fn (Conversation $conversation): array => array_values($conversation->customer->groups->modelKeys())),
        ];
    }

    /**
     * @return list<Field>
     */
    private function yesOrNo(): array
    {
        return [
            new YesNoField('unanswered', 'The customer waits', 'conversations.waiting_since IS NOT NULL', static fn (Conversation $conversation): bool => $conversation->waiting_since !== null),
            new YesNoField('public', 'Said in public', 'conversations.public', static fn (Conversation $conversation): bool => $conversation->public),
            new YesNoField('automatic', 'Written by a machine', 'conversations.automatic', static fn (Conversation $conversation): bool => $conversation->automatic),
            new YesNoField('answered', 'Answered at least once', 'conversations.first_replied_at IS NOT NULL', static fn (Conversation $conversation): bool => $conversation->first_replied_at !== null),
            new YesNoField('has_file', 'Has a file', 'EXISTS (SELECT 1 FROM messages JOIN attachments ON attachments.message_id = messages.id WHERE messages.conversation_id = conversations.id)', static fn (Conversation $conversation): bool => $conversation->messages()->whereHas('attachments')->exists()),
        ];
    }

    /**
     * @return list<Field>
     */
    private function numbers(): array
    {
        return [
            $this->since('waiting_hours', 'Hours the customer has waited', 'waiting_since', 3600, static fn (Conversation $conversation): ?CarbonInterface => $conversation->waiting_since),
            $this->since('quiet_hours', 'Hours since the last message', 'last_message_at', 3600, static fn (Conversation $conversation): CarbonInterface => $conversation->last_message_at),
            $this->since('age_days', 'Days since it began', 'created_at', 86_400, static fn (Conversation $conversation): CarbonInterface => $conversation->created_at),
            new NumberField('orders', 'Orders beside it', static fn (): string => '(SELECT COUNT(*) FROM conversation_order WHERE conversation_id = conversations.id)', static fn (Conversation $conversation): int => $conversation->orders()->count()),
            new NumberField('stars', 'Stars of a rating', static fn (): string => 'conversations.stars', static fn (Conversation $conversation): ?int => $conversation->stars),
        ];
    }

    /**
     * @return list<Field>
     */
    private function own(): array
    {
        return array_values(OwnField::query()->orderBy('position')->orderBy('id')->get()->map(static fn (OwnField $field): Field => new OwnValueField($field))->all());
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

        return new ChoiceField($key, $title, "conversations.{$key}", array_combine($values, array_map(strval(...), $values)), array_combine($values, array_map($label, $cases)), static function (Conversation $conversation) use ($key): string {
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
        return new ChoiceField($key, $label, "conversations.{$column}", $this->ids($rows), $also + $this->labels(array_filter($rows, static fn (Model $row): bool => ! $row->hasCast('retired_at') || $row->getAttribute('retired_at') === null)), static fn (Conversation $conversation): ?int => $conversation->getAttribute($column));
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
                $known = array_values(array_unique([...$known, ...array_filter([$byId[$known[$at]]->parent_id ?? null, $byId[$known[$at]]->merged_into_id ?? null])]));
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
