<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Fields\OwnValue;
use App\Orders\Order;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/**
 * A field of the store's own. A date is the number 20261123. Of orders, those beside the conversation
 * count together, as a list.
 */
final readonly class OwnValueField implements Field
{
    use AsksNumbers;
    use AsksTexts;

    public function __construct(private OwnField $field) {}

    public function key(): string
    {
        return "own.{$this->field->about->value}.{$this->field->word}";
    }

    /**
     * @return string|null what a key of a condition names, as `conversation.size`; null where it names no own field
     */
    public static function named(string $key): ?string
    {
        return str_starts_with($key, 'own.') ? substr($key, 4) : null;
    }

    public function label(): string
    {
        return $this->field->name.match ($this->field->about) {
            About::Conversation => '',
            About::Customer => ' (customer)',
            About::Order => ' (order)',
            About::Company => ' (company)',
        };
    }

    public function operators(): array
    {
        return match (true) {
            $this->isList() => [Operator::Includes, Operator::IncludesNone, Operator::IsEmpty, Operator::IsNotEmpty],
            $this->field->kind === FieldKind::YesNo => [Operator::Is, Operator::IsEmpty],
            $this->field->kind->isNumber() => [
                Operator::MoreThan, Operator::LessThan, Operator::AtLeast, Operator::AtMost, Operator::Is, Operator::IsEmpty,
                Operator::IsNotEmpty,
            ],
            $this->field->kind === FieldKind::Choice => [Operator::In, Operator::NotIn, Operator::IsEmpty, Operator::IsNotEmpty],
            default => [
                Operator::HasAnyWord, Operator::HasAllWords, Operator::HasNoWord, Operator::StartsWith, Operator::Is,
                Operator::IsEmpty, Operator::IsNotEmpty,
            ],
        };
    }

    public function choices(): array
    {
        $choices = $this->field->kind === FieldKind::YesNo ? ['yes', 'no'] : $this->field->choices;

        return array_combine($choices, $choices);
    }

    public function isDate(): bool
    {
        return $this->field->kind === FieldKind::Date;
    }

    public function fact(Conversation $conversation): string|float|bool|array|null
    {
        $values = $this->values($conversation);
        if ($this->isList()) {
            return array_values(
                $values->map(fn (OwnValue $value): string => $this->field->kind->show($value->text, $value->number))->all()
            );
        }
        $value = $values->first();

        return match (true) {
            $value === null => null,
            $this->field->kind === FieldKind::YesNo => (int) $value->number === 1,
            $this->field->kind->isNumber() => (float) $value->number,
            default => (string) $value->text,
        };
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        [$holds, $bindings] = $this->holds($leaf);
        $isNegative = $this->isNegative($leaf);
        if (in_array($leaf->operator, [Operator::IsEmpty, Operator::IsNotEmpty], true)) {
            [$holds, $bindings, $isNegative] = ['1', [], $leaf->operator === Operator::IsEmpty];
        } elseif (! $this->isList() && $this->asksForNothing($leaf)) {
            $query->whereRaw(($isNegative ? 'NOT ' : '')."(NOT {$this->exists('1')} OR {$this->exists($holds)})", $bindings);

            return;
        }
        $query->whereRaw(($isNegative ? 'NOT ' : '').$this->exists($holds), $bindings);
    }

    /**
     * Narrows a search to where this is written; a text is found by how it begins.
     *
     * @param  Builder<Conversation>  $query
     *
     * @throws FieldRefused when it cannot be written in this field
     */
    public function search(Builder $query, string $written): void
    {
        $kept = $this->field->kind->read($written, $this->field->choices, $this->field->name)[0] ?? null;
        if ($kept === null) {
            return;
        }
        $kept['number'] !== null
            ? $query->whereRaw($this->exists('v.number = '.(float) $kept['number']))
            : $query->whereRaw($this->exists('v.folded LIKE ?'), [addcslashes((string) $kept['folded'], '\\%_').'%']);
    }

    /**
     * @return array{string, list<string>}
     */
    private function holds(Leaf $leaf): array
    {
        return match (true) {
            $this->isList() && $this->field->kind->isNumber() => $this->shownHolds($leaf),
            ! $this->isList() && $this->field->kind === FieldKind::YesNo => [$this->yesNoHolds($leaf), []],
            $this->field->kind->isNumber() => [$this->numberHolds('v.number', $leaf), []],
            ! $this->isList() && in_array($leaf->operator, [Operator::Includes, Operator::IncludesNone], true) => ['0', []],
            default => $this->textHolds('v.folded', $leaf),
        };
    }

    /**
     * Several numbers are a list of how they are shown.
     *
     * @return array{string, list<string>}
     */
    private function shownHolds(Leaf $leaf): array
    {
        return $this->textHolds(match ($this->field->kind) {
            FieldKind::YesNo => "IF(v.number = 1, 'yes', 'no') COLLATE utf8mb4_bin",
            FieldKind::Date => "INSERT(INSERT(CAST(FLOOR(v.number) AS CHAR), 5, 0, '-'), 8, 0, '-') COLLATE utf8mb4_bin",
            default => "TRIM(TRAILING '.' FROM TRIM(TRAILING '0' FROM CAST(v.number AS CHAR))) COLLATE utf8mb4_bin",
        }, $leaf);
    }

    private function yesNoHolds(Leaf $leaf): string
    {
        $values = in_array($leaf->operator, [Operator::Is, Operator::IsNot], true)
            ? [$leaf->value]
            : (in_array($leaf->operator, [Operator::In, Operator::NotIn], true) ? (array) $leaf->value : []);
        $numbers = array_map(static fn (bool $value): string => $value ? '1' : '0', array_filter($values, is_bool(...)));

        return $numbers === [] ? '0' : 'v.number IN ('.implode(',', $numbers).')';
    }

    private function asksForNothing(Leaf $leaf): bool
    {
        return match ($leaf->operator) {
            Operator::Is, Operator::IsNot => $leaf->value === null,
            Operator::In, Operator::NotIn => in_array(null, (array) $leaf->value, true),
            default => false,
        };
    }

    private function isList(): bool
    {
        return $this->field->kind === FieldKind::Choices || $this->field->about === About::Order;
    }

    private function exists(string $holds): string
    {
        $about = match ($this->field->about) {
            About::Conversation => 'v.about_id = conversations.id',
            About::Customer => 'v.about_id = conversations.customer_id',
            About::Company => 'v.about_id = (SELECT company_id FROM customers WHERE customers.id = conversations.customer_id)',
            About::Order => 'v.about_id IN (SELECT order_id FROM conversation_order WHERE conversation_id = conversations.id)',
        };

        return "EXISTS (SELECT 1 FROM own_values v WHERE v.own_field_id = {$this->field->id} AND {$about} AND {$holds})";
    }

    /**
     * Read along for many where `RuleFields::reads` has said so.
     *
     * @return Collection<int, OwnValue>
     */
    private function values(Conversation $conversation): Collection
    {
        $values = match ($this->field->about) {
            About::Conversation => $conversation->loadMissing('ownValues')->ownValues,
            About::Customer => $conversation->loadMissing('customer.ownValues')->customer->ownValues,
            About::Company => $conversation->loadMissing('customer.company.ownValues')->customer->company->ownValues ?? new Collection,
            About::Order => $conversation->loadMissing('orders.ownValues')
                ->orders->flatMap(static fn (Order $order): Collection => $order->ownValues)
                ->sortBy(static fn (OwnValue $value): array => [$value->about_id, $value->position]),
        };

        return $values->where('own_field_id', $this->field->id)->values();
    }
}
