<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * Holds where its part does not.
 */
final readonly class Not implements Node
{
    public function __construct(public Node $part) {}

    public function matches(Facts $facts): bool
    {
        return ! $this->part->matches($facts);
    }

    public function decides(Facts $facts, array $unknown): ?bool
    {
        $part = $this->part->decides($facts, $unknown);

        return $part === null ? null : ! $part;
    }

    public function because(Facts $facts): ?array
    {
        return $this->matches($facts) ? [] : null;
    }
}
