<?php

declare(strict_types=1);

namespace App\Conditions;

use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Text\FoldedPhrase;
use Cairnfield\Core\Text\Folding;

/**
 * A leaf about one text as SQL over a column that keeps it folded, with a binary collation.
 */
trait AsksTexts
{
    /**
     * The leaf's question without its negation: for `is_not` that of `is`.
     *
     * @return array{string, list<string>} SQL and its bindings
     */
    private function textHolds(string $column, Leaf $leaf): array
    {
        $strings = array_values(array_filter((array) $leaf->value, is_string(...)));

        return match ($leaf->operator) {
            Operator::Is,
            Operator::IsNot,
            Operator::In,
            Operator::NotIn,
            Operator::Includes,
            Operator::IncludesNone => $this->isOneOf($column, array_map(Folding::fold(...), $strings)),
            Operator::HasAnyWord, Operator::HasNoWord => $this->each($column, $strings, ' OR '),
            Operator::HasAllWords => $this->each($column, $strings, ' AND '),
            Operator::StartsWith => $this->like($column, Folding::fold((string) ($strings[0] ?? '')), '', '%'),
            Operator::EndsWith => $this->like($column, Folding::fold((string) ($strings[0] ?? '')), '%', ''),
            default => ['0', []],
        };
    }

    private function isNegative(Leaf $leaf): bool
    {
        return in_array(
            $leaf->operator, [Operator::IsNot, Operator::NotIn, Operator::HasNoWord, Operator::IncludesNone, Operator::IsNotEmpty],
            true
        );
    }

    /**
     * @param  list<string>  $folded
     * @return array{string, list<string>}
     */
    private function isOneOf(string $column, array $folded): array
    {
        return $folded === [] ? ['0', []] : ["{$column} IN (".implode(',', array_fill(0, count($folded), '?')).')', $folded];
    }

    /**
     * @param  list<string>  $phrases
     * @return array{string, list<string>}
     */
    private function each(string $column, array $phrases, string $between): array
    {
        $parts = $bindings = [];
        foreach ($phrases as $phrase) {
            $pattern = FoldedPhrase::of($phrase)->pattern();
            $parts[] = $pattern === null ? '0' : "{$column} REGEXP ?";
            $bindings = [...$bindings, ...array_filter([$pattern])];
        }

        return $parts === [] ? ['0', []] : ['('.implode($between, $parts).')', $bindings];
    }

    /**
     * @return array{string, list<string>}
     */
    private function like(string $column, string $folded, string $before, string $after): array
    {
        return $folded === '' ? ['0', []] : ["{$column} LIKE ?", [$before.addcslashes($folded, '\\%_').$after]];
    }
}
