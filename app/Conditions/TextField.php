<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Closure;
use Illuminate\Database\Eloquent\Builder;

/**
 * A text, kept folded beside as it was written.
 */
final readonly class TextField implements Field
{
    use AsksTexts;
    use NamedField;

    /**
     * @param  string  $column  the folded text, never null
     * @param  Closure(Conversation): string  $read  as it was written
     * @param  string|null  $from  the row of another table that the column is in, as `FROM … WHERE …`
     */
    public function __construct(
        private string $key, private string $label, private string $column, private Closure $read, private ?string $from = null
    ) {}

    public function operators(): array
    {
        return [Operator::HasAnyWord, Operator::HasAllWords, Operator::HasNoWord, Operator::StartsWith, Operator::EndsWith, Operator::Is];
    }

    public function choices(): array
    {
        return [];
    }

    public function fact(Conversation $conversation): string
    {
        return ($this->read)($conversation);
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        [$holds, $bindings] = match ($leaf->operator) {
            Operator::IsEmpty, Operator::IsNotEmpty => ["{$this->column} = ''", []],
            // The fact is a text, no list.
            Operator::Includes, Operator::IncludesNone => ['0', []],
            default => $this->textHolds($this->column, $leaf),
        };
        $holds = $this->from === null ? $holds : "EXISTS (SELECT 1 {$this->from} AND {$holds})";
        $query->whereRaw(($this->isNegative($leaf) ? 'NOT ' : '')."({$holds})", $bindings);
    }
}
