<?php

declare(strict_types=1);

namespace App\Search;

use App\Conditions\ConversationFields;
use App\Conditions\OwnValueField;
use App\Conversations\Conversation;
use App\Fields\FieldRefused;
use App\Orders\Order;
use App\Orders\OrderNumbers;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Search\NearestWord;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;

/**
 * The narrowings that a search knows: `state:held`, `owner:ilse`, `before:2026-11-01`, `has:file`, and one
 * for each of the store's own fields. With `-` before it, all others are found.
 */
final class Narrowings
{
    /** What it is called to which field it asks. */
    private const CHOICES = [
        'state' => 'state', 'owner' => 'owner', 'team' => 'team', 'category' => 'category', 'tag' => 'tags', 'group' => 'customer_group',
        'company' => 'company',
        'way' => 'channel',
        'account' => 'account',
        'priority' => 'priority',
        'outcome' => 'outcome',
        'language' => 'language',
        'mood' => 'mood',
    ];

    private const IS = [
        'public' => 'public', 'automatic' => 'automatic', 'unanswered' => 'unanswered', 'answered' => 'answered', 'junk' => null,
    ];

    private const HAS = ['file' => 'has_file', 'order' => 'orders', 'tag' => 'tags', 'owner' => 'owner'];

    public function __construct(private readonly ConversationFields $fields, private readonly OrderNumbers $numbers) {}

    /**
     * @return list<string>
     */
    public function keys(): array
    {
        return [...array_keys(self::CHOICES), 'from', 'order', 'before', 'after', 'has', 'is', ...array_keys($this->own())];
    }

    /**
     * @param  Builder<Conversation>  $query
     * @return string|null why it cannot be asked; null where it was
     */
    public function narrow(Builder $query, string $key, string $value, Teammate $teammate): ?string
    {
        return match (true) {
            isset(self::CHOICES[$key]) => $this->byChoice($query, $key, $value, $teammate),
            $key === 'before', $key === 'after' => $this->byDay($query, $key, $value, $teammate),
            $key === 'from' => $this->bySender($query, $value),
            $key === 'order' => $this->byOrder($query, $value),
            $key === 'has', $key === 'is' => $this->byMark($query, $key, $value),
            default => $this->byOwnField($query, $key, $value),
        };
    }

    /**
     * Whether several of them all hold: a day after which and one before which, a file and an order.
     */
    public function isEachByItself(string $key): bool
    {
        return in_array($key, ['before', 'after', 'has', 'is'], true);
    }

    /**
     * What is said of what was written like a narrowing and is none.
     *
     * @param  list<string>  $unknown
     * @return list<string>
     */
    public function hints(array $unknown): array
    {
        return array_map(function (string $key): string {
            $nearest = NearestWord::of($key, $this->keys());

            return "“{$key}:” is no narrowing, so it is looked for as words.".($nearest === null ? '' : " Did you mean “{$nearest}:”?");
        }, $unknown);
    }

    /**
     * How what is being written could go on.
     *
     * @return list<string> the last part, completed
     */
    public function completions(string $last): array
    {
        if (str_starts_with($last, '-')) {
            return array_map(static fn (string $one): string => "-{$one}", $this->completions(substr($last, 1)));
        }
        if (! str_contains($last, ':')) {
            return mb_strlen($last) < 2
                ? []
                : array_values(
                    array_map(
                        static fn (string $key): string => "{$key}:",
                        array_filter($this->keys(), static fn (string $key): bool => str_starts_with($key, mb_strtolower($last)))
                    )
                );
        }
        [$key, $begun] = explode(':', mb_strtolower($last), 2);
        $values = match (true) {
            isset(self::CHOICES[$key]) => [...($key === 'owner' ? ['me', 'nobody'] : []), ...array_values($this->choices($key))],
            $key === 'has' => array_keys(self::HAS),
            $key === 'is' => array_keys(self::IS),
            $key === 'before',
            $key === 'after' => [now()->format('Y-m-d'), now()->subWeek()->format('Y-m-d'), now()->subMonth()->format('Y-m-d')],
            isset($this->own()[$key]) => array_values($this->own()[$key]->choices()),
            default => [],
        };
        $begun = Folding::fold(trim($begun, '"'));

        return array_values(array_map(
            static fn (string $value): string => $key.':'.(preg_match('/\s/u', $value) === 1 ? "\"{$value}\"" : $value),
            array_filter($values, static fn (string $value): bool => $begun === '' || self::fits($value, $begun)),
        ));
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function byChoice(Builder $query, string $key, string $value, Teammate $teammate): ?string
    {
        $field = $this->fields->get(self::CHOICES[$key]);
        $folded = Folding::fold($value);
        if ($key === 'owner' && $folded === 'nobody') {
            $field->where($query, Leaf::of('owner', Operator::IsEmpty));

            return null;
        }
        $choices = $this->choices($key);
        $chosen = $key === 'owner' && $folded === 'me'
            ? [(string) $teammate->id]
            : array_map(
                strval(...),
                array_keys(
                    array_filter(
                        $choices,
                        static fn (string $label, string|int $choice): bool => self::fits($label, $folded)
                            || Folding::fold((string) $choice) === $folded,
                        ARRAY_FILTER_USE_BOTH
                    )
                )
            );
        if ($chosen === []) {
            return "There is no {$key} “{$value}”".($choices === [] ? '.' : '. There are: '.Str::limit(implode(', ', $choices), 200).'.');
        }
        $isList = in_array(Operator::Includes, $field->operators(), true);
        $field->where($query, Leaf::of($field->key(), $isList ? Operator::Includes : Operator::In, array_values($chosen)));

        return null;
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function byDay(Builder $query, string $key, string $value, Teammate $teammate): ?string
    {
        $day = CarbonImmutable::hasFormat($value, 'Y-m-d')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $value, $teammate->time_zone)
            : null;
        if ($day === null || $day->format('Y-m-d') !== $value) {
            return "“{$value}” is no day. Write one such as {$key}:2026-11-01.";
        }
        $key === 'before'
            ? $query->where('conversations.last_message_at', '<', $day->utc())
            : $query->where('conversations.last_message_at', '>=', $day->addDay()->utc());

        return null;
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function bySender(Builder $query, string $value): null
    {
        $folded = addcslashes(Folding::fold($value), '\\%_');
        $query->whereIn('conversations.customer_id', static fn ($customers) => $customers->from('customers')
            ->select('id')
            ->where('name_folded', 'like', "{$folded}%")
            ->union(static fn ($more) => $more->from('customers')->select('id')->where('name_folded', 'like', "% {$folded}%"))
            ->union(static fn ($more) => $more->from('handles')->select('customer_id')->where('value', 'like', "{$folded}%")));

        return null;
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function byOrder(Builder $query, string $value): ?string
    {
        $keys = $this->numbers->keysOf($value);
        $ids = Order::query()->whereIn('number_key', $keys)->orWhereIn('marketplace_key', $keys)->pluck('id');
        if ($ids->isEmpty()) {
            return "No order “{$value}” is known.";
        }
        $query->whereExists(
            static fn ($beside) => $beside->from('conversation_order')
                ->whereColumn('conversation_id', 'conversations.id')
                ->whereIn('order_id', $ids)
        );

        return null;
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function byMark(Builder $query, string $key, string $value): ?string
    {
        $value = mb_strtolower($value);
        $known = $key === 'is' ? self::IS : self::HAS;
        if (! array_key_exists($value, $known)) {
            return "“{$key}:{$value}” is not known. There are: ".implode(
                ', ', array_map(static fn (string $one): string => "{$key}:{$one}", array_keys($known))
            ).'.';
        }
        if ($value === 'junk') {
            $query->where('conversations.junk', true);

            return null;
        }
        $field = $this->fields->get((string) $known[$value]);
        $field->where($query, match ($value) {
            'order' => Leaf::of('orders', Operator::MoreThan, 0),
            'tag', 'owner' => Leaf::of($field->key(), Operator::IsNotEmpty),
            default => Leaf::of($field->key(), Operator::Is, true),
        });

        return null;
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function byOwnField(Builder $query, string $key, string $value): ?string
    {
        try {
            $this->own()[$key]->search($query, $value);
        } catch (FieldRefused $why) {
            return $why->getMessage();
        }

        return null;
    }

    /**
     * @return array<string, OwnValueField> by the word that the field is asked for with
     */
    private function own(): array
    {
        $own = [];
        foreach ($this->fields->all() as $field) {
            if ($field instanceof OwnValueField) {
                $own[Str::afterLast($field->key(), '.')] ??= $field;
            }
        }

        return array_diff_key($own, self::CHOICES, array_flip(['from', 'order', 'before', 'after', 'has', 'is']));
    }

    /**
     * @return array<string, string>
     */
    private function choices(string $key): array
    {
        return array_diff_key($this->fields->get(self::CHOICES[$key])->choices(), ['me' => '']);
    }

    /**
     * Whether one of the words of a label begins so.
     */
    private static function fits(string $label, string $begun): bool
    {
        return $begun !== '' && preg_match('/(?:^|[^\p{L}\p{N}])'.preg_quote($begun, '/').'/u', Folding::fold($label)) === 1;
    }
}
