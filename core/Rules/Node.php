<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * One part of a condition.
 */
interface Node
{
    public function matches(Facts $facts): bool;

    /**
     * The leaves that are true and have only true nodes above them, none a `not`; in reading order.
     * Every leaf is looked at, also where one before it decided.
     *
     * @return list<Leaf>|null null where it does not match
     */
    public function because(Facts $facts): ?array;
}
