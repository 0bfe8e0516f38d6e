<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * When these things hold, do that.
 */
final readonly class Rule
{
    /**
     * @param  Condition|null  $condition  null only where the rule is off: then it is not asked
     * @param  list<non-empty-array<string, mixed>&array{do: string}>  $actions  each with `do`, and what it needs
     */
    public function __construct(
        public string|int $id,
        public Way $way,
        public ?Condition $condition,
        public array $actions,
    ) {}
}
