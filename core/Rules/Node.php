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
     * Whether it matches, as far as that can be told without some of the facts (Kleene's three-valued logic).
     *
     * @param  array<string, mixed>  $unknown  by the fields that are not known yet
     * @return bool|null null where it depends on them
     */
    public function decides(Facts $facts, array $unknown): ?bool;

    /**
     * The leaves that are true and have only true nodes above them, none a `not`; in reading order.
     * Every leaf is looked at, also where one before it decided.
     *
     * @return list<Leaf>|null null where it does not match
     */
    public function because(Facts $facts): ?array;
}
