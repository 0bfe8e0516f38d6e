<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Closure;
use Illuminate\Database\Eloquent\Builder;

/**
 * One of few: the core is asked for each that there is, and the query for those it says yes to.
 */
final readonly class ChoiceField implements Field
{
    use NamedField;

    /**
     * @param  string  $column  of the conversation
     * @param  array<string|int, string|list<string>>  $facts  what is in the column to what it is as a fact
     * @param  array<string, string>  $choices  what is offered, value to label
     * @param  Closure(Conversation): (string|int|null)  $read  what is in the column
     */
    public function __construct(
        private string $key,
        private string $label,
        private string $column,
        private array $facts,
        private array $choices,
        private Closure $read,
    ) {}

    public function operators(): array
    {
        return [Operator::In, Operator::NotIn, Operator::IsEmpty, Operator::IsNotEmpty];
    }

    public function choices(): array
    {
        return $this->choices;
    }

    public function fact(Conversation $conversation): string|array|null
    {
        $value = ($this->read)($conversation);

        return $value === null ? null : $this->facts[$value] ?? (string) $value;
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        $holds = fn (string|array|null $fact): bool => $leaf->matches(Facts::of([$leaf->field => $fact]));
        $values = array_map(strval(...), array_keys(array_filter($this->facts, $holds)));
        $parts = array_filter([
            $values === []
                ? ''
                : "({$this->column} IS NOT NULL AND {$this->column} IN (".implode(',', array_fill(0, count($values), '?')).'))',
            $holds(null) ? "{$this->column} IS NULL" : '',
        ]);
        $query->whereRaw($parts === [] ? '1 = 0' : '('.implode(' OR ', $parts).')', $values);
    }
}
