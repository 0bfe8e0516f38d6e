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
 * Several of few, such as tags: rows of another table that link to them.
 */
final readonly class LinkedField implements Field
{
    use NamedField;

    /**
     * @param  string  $links  the link table with what ties it to the conversation, as `FROM … WHERE …`
     * @param  string  $column  what it links to
     * @param  array<int, list<string>>  $facts  what is in the column to what it is as a fact: itself, and what it was merged into
     * @param  array<string, string>  $choices
     * @param  Closure(Conversation): list<int>  $read
     */
    public function __construct(
        private string $key,
        private string $label,
        private string $links,
        private string $column,
        private array $facts,
        private array $choices,
        private Closure $read,
    ) {}

    public function operators(): array
    {
        return [Operator::Includes, Operator::IncludesNone, Operator::IsEmpty, Operator::IsNotEmpty];
    }

    public function choices(): array
    {
        return $this->choices;
    }

    public function fact(Conversation $conversation): array
    {
        return array_values(
            array_unique(
                array_merge(...array_map(fn (int $id): array => $this->facts[$id] ?? [(string) $id], ($this->read)($conversation)))
            )
        );
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        [$positive, $not] = match ($leaf->operator) {
            Operator::IsNot => [Leaf::of($leaf->field, Operator::Is, $leaf->value), 'NOT '],
            Operator::NotIn => [Leaf::of($leaf->field, Operator::In, $leaf->value), 'NOT '],
            Operator::HasNoWord => [Leaf::of($leaf->field, Operator::HasAnyWord, $leaf->value), 'NOT '],
            Operator::IncludesNone => [Leaf::of($leaf->field, Operator::Includes, $leaf->value), 'NOT '],
            Operator::IsEmpty => [Leaf::of($leaf->field, Operator::IsNotEmpty), 'NOT '],
            default => [$leaf, ''],
        };
        $ids = array_keys(
            array_filter($this->facts, static fn (array $fact): bool => $positive->matches(Facts::of([$leaf->field => $fact])))
        );
        $query->whereRaw(
            $ids === []
                ? ($not === '' ? '1 = 0' : '1 = 1')
                : "{$not}EXISTS (SELECT 1 {$this->links} AND {$this->column} IN (".implode(',', $ids).'))'
        );
    }
}
