<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

use stdClass;

/**
 * A tree of `all`, `any` and `not` over leaves that compare facts: what views, rules and groups ask.
 *
 * Read once and checked whole, then asked as often as needed.
 */
final readonly class Condition
{
    private const DEEPEST = 20;

    private const MOST_NODES = 500;

    private const HEADS = ['all', 'any', 'not', 'field'];

    private function __construct(public Node $root) {}

    public static function of(Node $root): self
    {
        return new self($root);
    }

    /**
     * @param  mixed  $node  as json_decode gives it, objects as objects
     * @param  string  $at  where it stands, for messages
     *
     * @throws RulesRefused first for its size, then for its parts in reading order: `condition_too_large`, `unknown_op`, `bad_condition`
     */
    public static function read(mixed $node, string $at = 'condition'): self
    {
        $nodes = 0;
        self::measure($node, 1, $nodes, $at);

        return new self(self::node($node, $at));
    }

    public function matches(Facts $facts): bool
    {
        return $this->root->matches($facts);
    }

    /**
     * Whether it matches, where that can be told before some facts are looked up: these cost more than others.
     *
     * @param  array<string, mixed>  $unknown  by the fields that are not known yet
     * @return bool|null null where it depends on them
     */
    public function decides(Facts $facts, array $unknown): ?bool
    {
        return $this->root->decides($facts, $unknown);
    }

    /**
     * Why it matches: the leaves that are true and count, in reading order.
     *
     * @return list<Leaf>|null null where it does not match
     */
    public function because(Facts $facts): ?array
    {
        return $this->root->because($facts);
    }

    /**
     * @return list<Leaf> in reading order
     */
    public function leaves(): array
    {
        return self::leavesOf($this->root);
    }

    /**
     * As it was read, to be stored or shown.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return self::arrayOf($this->root);
    }

    private static function measure(mixed $node, int $depth, int &$nodes, string $at): void
    {
        if (! $node instanceof stdClass) {
            return;
        }
        $nodes++;
        if ($depth > self::DEEPEST || $nodes > self::MOST_NODES) {
            throw RulesRefused::tooLarge($at);
        }
        foreach (['all', 'any'] as $head) {
            foreach (is_array($node->{$head} ?? null) ? $node->{$head} : [] as $part) {
                self::measure($part, $depth + 1, $nodes, $at);
            }
        }
        self::measure($node->not ?? null, $depth + 1, $nodes, $at);
    }

    private static function node(mixed $node, string $at): Node
    {
        if (! $node instanceof stdClass) {
            throw RulesRefused::badCondition('A part of a condition is an object with one of all, any, not or field.', $at);
        }
        $heads = array_values(array_filter(self::HEADS, static fn (string $head): bool => property_exists($node, $head)));
        if (count($heads) !== 1) {
            throw RulesRefused::badCondition('A part of a condition has exactly one of all, any, not or field.', $at);
        }

        return match ($heads[0]) {
            'all' => new AllOf(self::parts($node->all, "{$at}.all")),
            'any' => new AnyOf(self::parts($node->any, "{$at}.any")),
            'not' => new Not(self::node($node->not, "{$at}.not")),
            'field' => self::leaf($node, $at),
        };
    }

    /**
     * @return list<Node>
     */
    private static function parts(mixed $parts, string $at): array
    {
        if (! is_array($parts)) {
            throw RulesRefused::badCondition('What follows all or any is a list.', $at);
        }

        return array_map(
            static fn (mixed $part, int $index): Node => self::node($part, "{$at}[{$index}]"), array_values($parts),
            array_keys(array_values($parts))
        );
    }

    private static function leaf(stdClass $node, string $at): Leaf
    {
        if (! isset($node->op)) {
            throw RulesRefused::badCondition('A comparison has an operator, op.', "{$at}.op");
        }
        $operator = is_string($node->op) ? Operator::tryFrom($node->op) : null;
        if ($operator === null) {
            throw RulesRefused::unknownOperator("{$at}.op");
        }
        if (! is_string($node->field)) {
            throw RulesRefused::badCondition('A field is named by a string.', "{$at}.field");
        }
        $value = $node->value ?? null;
        if ($operator->needsValue() && (! property_exists($node, 'value') || ! $operator->takes($value))) {
            throw RulesRefused::badCondition("“{$operator->value}” takes {$operator->wants()}.", "{$at}.value");
        }

        return Leaf::of($node->field, $operator, $value);
    }

    /**
     * @return list<Leaf>
     */
    private static function leavesOf(Node $node): array
    {
        return match (true) {
            $node instanceof Leaf => [$node],
            $node instanceof Not => self::leavesOf($node->part),
            $node instanceof AllOf, $node instanceof AnyOf => array_merge(...array_map(self::leavesOf(...), $node->parts)),
            default => [],
        };
    }

    /**
     * @return array<string, mixed>
     */
    private static function arrayOf(Node $node): array
    {
        return match (true) {
            $node instanceof AllOf => ['all' => array_map(self::arrayOf(...), $node->parts)],
            $node instanceof AnyOf => ['any' => array_map(self::arrayOf(...), $node->parts)],
            $node instanceof Not => ['not' => self::arrayOf($node->part)],
            $node instanceof Leaf => [
                'field' => $node->field, 'op' => $node->operator->value,
                ...($node->operator->needsValue() ? ['value' => $node->value] : []),
            ],
            default => ['all' => []],
        };
    }
}
