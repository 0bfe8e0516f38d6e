<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * Holds where one or more of its parts do; without any it does not.
 */
final readonly class AnyOf implements Node
{
    /**
     * @param  list<Node>  $parts
     */
    public function __construct(public array $parts) {}

    public function matches(Facts $facts): bool
    {
        foreach ($this->parts as $part) {
            if ($part->matches($facts)) {
                return true;
            }
        }

        return false;
    }

    public function decides(Facts $facts, array $unknown): ?bool
    {
        $decided = false;
        foreach ($this->parts as $part) {
            $one = $part->decides($facts, $unknown);
            if ($one === true) {
                return true;
            }
            $decided = $one === null ? null : $decided;
        }

        return $decided;
    }

    public function because(Facts $facts): ?array
    {
        $leaves = null;
        foreach ($this->parts as $part) {
            $true = $part->because($facts);
            $leaves = $true === null ? $leaves : [...$leaves ?? [], ...$true];
        }

        return $leaves;
    }
}
