<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\ConversationFields;
use App\Conditions\Field;
use App\Conditions\Fields;
use App\Conditions\OperatorWords;
use App\Conditions\UnknownField;
use App\Conversations\ConversationState;
use App\Hours\StoreHours;
use App\Orders\Order;
use App\Orders\OrderLine;
use App\Promises\Happened\PromiseMissed;
use App\Promises\Happened\PromiseWarned;
use App\Promises\PromisedKind;
use App\Promises\PromiseSet;
use App\Store\Store;
use Cairnfield\Core\Mail\SenderCheck;
use Cairnfield\Core\Rules\AllOf;
use Cairnfield\Core\Rules\AnyOf;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Node;
use Cairnfield\Core\Rules\Not;
use Cairnfield\Core\Rules\Operator;
use Locale;

/**
 * Everything that rules can ask: of the message, of the customer's orders, of the hour, and all that can be
 * asked of a conversation.
 */
final class RuleFields implements Fields
{
    private const WORDS = [
        Operator::HasAnyWord, Operator::HasAllWords, Operator::HasNoWord, Operator::StartsWith, Operator::EndsWith,
        Operator::IsEmpty,
    ];

    private const CHOICE = [Operator::In, Operator::NotIn];

    private const NUMBER = [Operator::MoreThan, Operator::LessThan, Operator::AtLeast, Operator::AtMost, Operator::Is];

    private const DAYS = [
        '1' => 'Monday', '2' => 'Tuesday', '3' => 'Wednesday', '4' => 'Thursday', '5' => 'Friday', '6' => 'Saturday',
        '7' => 'Sunday',
    ];

    private const YES_NO = ['yes' => 'yes', 'no' => 'no'];

    /** @var array<string, RuleTriggerField>|null */
    private ?array $own = null;

    public function __construct(private readonly ConversationFields $conversations, private readonly StoreHours $hours) {}

    public function get(string $key): Field
    {
        return $this->own()[$key] ?? $this->conversations->get($key);
    }

    public function all(): array
    {
        return [...$this->own(), ...$this->conversations->all()];
    }

    /**
     * The same condition, once it is sure that all it asks for is there.
     *
     * @throws UnknownField
     */
    public function known(Condition $condition): Condition
    {
        foreach ($condition->leaves() as $leaf) {
            $this->get($leaf->field);
        }

        return $condition;
    }

    /**
     * What rules need to know of what happened.
     *
     * @throws UnknownField when a condition asks for what is not there any more
     */
    public function facts(RuleTrigger $trigger, Condition ...$conditions): Facts
    {
        return $this->factsOf($trigger, self::askedBy(...$conditions));
    }

    /**
     * @param  list<string>  $keys
     *
     * @throws UnknownField
     */
    public function factsOf(RuleTrigger $trigger, array $keys): Facts
    {
        $values = [];
        foreach ($keys as $key) {
            $values[$key] = $this->fact($key, $trigger);
        }

        return Facts::of($values);
    }

    /**
     * @return list<string> the fields that conditions ask for, each once
     */
    public static function askedBy(Condition ...$conditions): array
    {
        $keys = [];
        foreach ($conditions as $condition) {
            foreach ($condition->leaves() as $leaf) {
                $keys[$leaf->field] = $leaf->field;
            }
        }

        return array_values($keys);
    }

    /**
     * What conditions read beside the conversation itself, to be fetched for many at once.
     *
     * @return list<string> relations of a conversation, and `message.…` of its message
     */
    public static function reads(Condition ...$conditions): array
    {
        $reads = [];
        foreach (self::askedBy(...$conditions) as $field) {
            array_push($reads, ...self::readsOf($field));
        }

        return array_values(array_unique($reads));
    }

    /**
     * @return list<string> the one that a field reads; none where the conversation itself tells it
     */
    public static function readsOf(string $field): array
    {
        $relation = match (true) {
            $field === 'customer_group' => 'customer.groups',
            $field === 'customer_name', $field === 'company' => 'customer',
            $field === 'customer_orders' => 'customer.orders',
            $field === 'tags' => 'tags',
            $field === 'owner_away' => 'owner',
            $field === 'goes_on' => 'linkedConversation',
            $field === 'rating' => 'rating',
            $field === 'customer_ratings' => 'customer.ratings',
            $field === 'message_has_file' => 'message.attachments',
            $field === 'has_file' => 'files',
            $field === 'order_products' => 'orders.lines',
            $field === 'parcel_days_unseen' => 'orders.parcels.scans',
            $field === 'orders', str_starts_with($field, 'order_') => 'orders',
            str_starts_with($field, 'own.conversation.') => 'ownValues',
            str_starts_with($field, 'own.customer.') => 'customer.ownValues',
            str_starts_with($field, 'own.company.') => 'customer.company.ownValues',
            str_starts_with($field, 'own.order.') => 'orders.ownValues',
            default => null,
        };

        return $relation === null ? [] : [$relation];
    }

    /**
     * A leaf as a person reads it, with the words that were found.
     */
    public function sentence(Leaf $leaf, Facts $facts): string
    {
        $field = $this->ifKnown($leaf->field);
        $label = $field?->label() ?? $leaf->field;
        $choices = $field?->choices() ?? [];
        $values = is_array($leaf->value) ? $leaf->value : [$leaf->value];
        $seeksWords = in_array($leaf->operator, [Operator::HasAnyWord, Operator::HasAllWords], true);
        if ($seeksWords) {
            $values = array_values(
                array_filter(
                    $values, static fn (mixed $word): bool => Leaf::of($leaf->field, Operator::HasAnyWord, [$word])->matches($facts)
                )
            );
        }
        $shown = self::shown($values, $choices);

        return match (true) {
            ! $leaf->operator->needsValue() => "{$label} ".OperatorWords::of($leaf->operator),
            $seeksWords => "{$label} has {$shown}",
            default => "{$label} ".OperatorWords::of($leaf->operator, count($values) === 1)." {$shown}",
        };
    }

    /**
     * A whole condition as a person reads it; empty where it always holds.
     */
    public function inWords(Node $node, bool $isInner = false): string
    {
        if ($node instanceof Leaf) {
            return $this->plain($node);
        }
        if ($node instanceof Not) {
            return "not ({$this->inWords($node->part)})";
        }
        $parts = $node instanceof AllOf || $node instanceof AnyOf
            ? array_values(
                array_filter(
                    array_map(fn (Node $part): string => $this->inWords($part, true), $node->parts),
                    static fn (string $part): bool => $part !== ''
                )
            )
            : [];
        $text = implode($node instanceof AnyOf ? ' or ' : ' and ', $parts);

        return $isInner && count($parts) > 1 ? "({$text})" : $text;
    }

    /**
     * A leaf as a person reads it, whatever the facts.
     */
    public function plain(Leaf $leaf): string
    {
        $field = $this->ifKnown($leaf->field);
        $shown = self::shown(is_array($leaf->value) ? $leaf->value : [$leaf->value], $field?->choices() ?? []);

        return ($field?->label() ?? "{$leaf->field} (gone)").' '.OperatorWords::of(
            $leaf->operator, is_array($leaf->value) && count($leaf->value) === 1
        ).($leaf->operator->needsValue() ? " {$shown}" : '');
    }

    /**
     * What was written stands in quotes, what was chosen by its name.
     *
     * @param  array<mixed>  $values
     * @param  array<int|string, string>  $choices
     */
    private static function shown(array $values, array $choices): string
    {
        return implode(', ', array_map(static fn (mixed $value): string => match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_string($value) => $choices[$value] ?? "“{$value}”",
            is_int($value), is_float($value) => $choices[(string) $value] ?? (string) $value,
            default => '',
        }, $values));
    }

    private function ifKnown(string $key): ?Field
    {
        try {
            return $this->get($key);
        } catch (UnknownField) {
            return null;
        }
    }

    /**
     * @return string|int|float|bool|list<string>|null
     */
    private function fact(string $key, RuleTrigger $trigger): string|int|float|bool|array|null
    {
        $own = $this->own()[$key] ?? null;

        return $own === null ? $this->conversations->get($key)->fact($trigger->conversation) : $own->of($trigger);
    }

    /**
     * @return array<string, RuleTriggerField>
     */
    private function own(): array
    {
        if ($this->own !== null) {
            return $this->own;
        }
        $hours = $this->hours;
        $zone = Store::current()->zone();
        $order = static function (RuleTrigger $trigger): ?Order {
            $orders = $trigger->conversation->orders;

            return $orders->count() < 2
                ? $orders->first()
                : $orders->sortByDesc(static fn (Order $order): string => (string) $order->getRawOriginal('placed_at'))->first();
        };
        $fields = [
            new RuleTriggerField(
                'message_text', 'Text of the message', self::WORDS, [],
                static fn (RuleTrigger $trigger): ?string => $trigger->message?->text
            ),
            new RuleTriggerField(
                'message_subject', 'Subject of the message', self::WORDS, [],
                static fn (RuleTrigger $trigger): ?string => $trigger->message?->subject
            ),
            new RuleTriggerField(
                'sender_domain', 'Sender’s domain', [Operator::In, Operator::NotIn, Operator::EndsWith], [],
                static fn (RuleTrigger $trigger): ?string => str_contains((string) $trigger->message?->from_address, '@')
                    ? substr((string) strrchr((string) $trigger->message?->from_address, '@'), 1)
                    : null
            ),
            new RuleTriggerField(
                'sender_address', 'Sender’s address', [Operator::In, Operator::NotIn, Operator::StartsWith, Operator::EndsWith], [],
                static fn (RuleTrigger $trigger): ?string => ($from = (string) $trigger->message?->from_address) === '' ? null : $from
            ),
            new RuleTriggerField(
                'sender_check', 'Check of the sender by the mail server', [...self::CHOICE, Operator::IsEmpty],
                [SenderCheck::Passed->value => 'passed', SenderCheck::Failed->value => 'failed'],
                static fn (RuleTrigger $trigger): ?string => $trigger->message?->sender_check?->value
            ),
            new RuleTriggerField(
                'message_has_file', 'The message has a file', [Operator::Is], self::YES_NO,
                static fn (RuleTrigger $trigger): bool => $trigger->message?->attachments->isNotEmpty() ?? false
            ),
            new RuleTriggerField(
                'state_before', 'State before they wrote', self::CHOICE,
                array_combine(
                    array_column(ConversationState::cases(), 'value'),
                    array_map(static fn (ConversationState $state): string => $state->label(), ConversationState::cases())
                ),
                static fn (RuleTrigger $trigger): ?string => $trigger->before?->value
            ),
            new RuleTriggerField(
                'done_by', 'Who did it', self::CHOICE,
                ['customer' => 'the customer', 'teammate' => 'a person of the team', 'application' => 'Cairnfield, or a rule'],
                static fn (RuleTrigger $trigger): string => $trigger->entry?->cause()?->asRule() !== null
                    ? 'application'
                    : $trigger->entry->actor ?? 'application'
            ),
            new RuleTriggerField(
                'promise', 'Which promise', self::CHOICE,
                array_combine(
                    array_column(PromisedKind::cases(), 'value'),
                    array_map(static fn (PromisedKind $kind): string => $kind->label(), PromisedKind::cases())
                ),
                static fn (RuleTrigger $trigger): ?string => self::promiseOf($trigger)?->promise->value
            ),
            new RuleTriggerField(
                'promise_set', 'Promise set', self::CHOICE,
                static fn (): array => PromiseSet::inOrder()->pluck('name', 'id')
                    ->mapWithKeys(static fn (string $name, int $id): array => [(string) $id => $name])->all(),
                static fn (RuleTrigger $trigger): ?string => ($set = self::promiseOf($trigger)?->set) === null ? null : (string) $set->id
            ),
            new RuleTriggerField(
                'owner_away', 'Its owner is away', [Operator::Is], self::YES_NO,
                static fn (RuleTrigger $trigger): bool => $trigger->conversation->owner?->isAway() ?? false
            ),
            new RuleTriggerField(
                'goes_on', 'It goes on from one that was closed', [Operator::Is], self::YES_NO,
                static fn (RuleTrigger $trigger): bool => $trigger->conversation->linkedConversation?->state === ConversationState::Closed
            ),
            new RuleTriggerField(
                'weekday', 'Day of the week', self::CHOICE, self::DAYS,
                static fn (RuleTrigger $trigger): string => $trigger->at()->setTimezone($zone)->format('N')
            ),
            new RuleTriggerField(
                'hour', 'Hour of the day, 0 to 23', self::NUMBER, [],
                static fn (RuleTrigger $trigger): int => (int) $trigger->at()->setTimezone($zone)->format('G')
            ),
            new RuleTriggerField(
                'in_hours', 'In working hours', [Operator::Is], self::YES_NO,
                static fn (RuleTrigger $trigger): bool => $hours->isOpen($trigger->at())
            ),
            new RuleTriggerField(
                'customer_orders', 'Orders the customer has placed', self::NUMBER, [],
                static fn (RuleTrigger $trigger): int => $trigger->conversation->customer->orders->count()
            ),
            new RuleTriggerField(
                'customer_ratings', 'Fewest stars of the customer so far', self::NUMBER, [],
                static fn (RuleTrigger $trigger): ?int => ($least = $trigger->conversation->customer->ratings->min('score')) === null
                    ? null
                    : (int) $least
            ),
            new RuleTriggerField(
                'order_total', 'Total of the order', self::NUMBER, [],
                static fn (RuleTrigger $trigger): ?float => ($one = $order($trigger)) === null ? null : (float) $one->decimalTotal()
            ),
            new RuleTriggerField(
                'order_age_days', 'Days since the order', self::NUMBER, [],
                static fn (RuleTrigger $trigger): ?int => ($one = $order($trigger)) === null
                    ? null
                    : (int) $one->placed_at->diffInDays($trigger->at())
            ),
            new RuleTriggerField(
                'order_products', 'Products of the order, by title or SKU', self::WORDS, [],
                static fn (RuleTrigger $trigger): ?string => $order($trigger)?->lines
                    ->map(static fn (OrderLine $line): string => "{$line->title} {$line->sku}")->implode("\n")
            ),
            new RuleTriggerField(
                'order_currency', 'Currency of the order', self::CHOICE, static fn (): array => self::written('currency'),
                static fn (RuleTrigger $trigger): ?string => $order($trigger)?->currency
            ),
            new RuleTriggerField(
                'order_status', 'Status of the order', self::CHOICE,
                ['paid' => 'paid', 'sent' => 'sent', 'cancelled' => 'cancelled', 'returned' => 'returned'],
                static fn (RuleTrigger $trigger): ?string => $order($trigger)?->status
            ),
            new RuleTriggerField(
                'parcel_days_unseen', 'Days without a scan of its parcel', self::NUMBER, [],
                static fn (RuleTrigger $trigger): ?int => $order($trigger)?->parcels->last()?->progress()->daysWithoutScan
            ),
            new RuleTriggerField(
                'order_country', 'Country of the order', self::CHOICE,
                static fn (): array => array_map(
                    static fn (string $country): string => (string) Locale::getDisplayRegion("und-{$country}", 'en'),
                    self::written('country')
                ),
                static fn (RuleTrigger $trigger): ?string => $order($trigger)?->country
            ),
            new RuleTriggerField(
                'order_source', 'Where it was ordered', self::CHOICE,
                static fn (): array => ['shop' => 'own shop'] + self::written('marketplace'),
                static fn (RuleTrigger $trigger): ?string => ($one = $order($trigger)) === null ? null : $one->marketplace ?? 'shop'
            ),
        ];
        $this->own = [];
        foreach ([...$fields, ...SettlingFields::all()] as $field) {
            $this->own[$field->key()] = $field;
        }

        return $this->own;
    }

    private static function promiseOf(RuleTrigger $trigger): PromiseWarned|PromiseMissed|null
    {
        $what = $trigger->entry?->payload();

        return $what instanceof PromiseWarned || $what instanceof PromiseMissed ? $what : null;
    }

    /**
     * What there is in one column of the orders, by index.
     *
     * @return array<string, string> each is its own name
     */
    private static function written(string $column): array
    {
        /** @var list<string> $written */
        $written = Order::query()->whereNotNull($column)->where($column, '!=', '')->distinct()->orderBy($column)->pluck($column)->all();

        return array_combine($written, $written);
    }
}
