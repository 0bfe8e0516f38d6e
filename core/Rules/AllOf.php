<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * Holds where each of its parts does; without any it holds.
 */
final readonly class AllOf implements Node
{
    /**
     * @param  list<Node>  $parts
     */
    public function __construct(public array $parts) {}

    public function matches(Facts $facts): bool
    {
        foreach ($this->parts as $part) {
            if (! $part->matches($facts)) {
                return false;
            }
        }

        return true;
    }

    public function decides(Facts $facts, array $unknown): ?bool
    {
        $decided = true;
        foreach ($this->parts as $part) {
            $one = $part->decides($facts, $unknown);
            if ($one === false) {
                return false;
            }
            $decided = $one === null ? null : $decided;
        }

        return $decided;
    }

    public function because(Facts $facts): ?array
    {
        $leaves = [];
        foreach ($this->parts as $part) {
            $true = $part->because($facts);
            if ($true === null) {
                return null;
            }
            $leaves = [...$leaves, ...$true];
        }

        return $leaves;
    }
}
