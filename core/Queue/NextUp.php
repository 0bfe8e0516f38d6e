<?php

declare(strict_types=1);

namespace Cairnfield\Core\Queue;

use DateTimeImmutable;

/**
 * Where a conversation stands in the queue: by the group of its promise, within that by priority, then
 * by the place of its customer's group, then by how long the customer has waited since their oldest
 * unanswered message.
 *
 * The key is one whole number, smaller for what comes first, so that a database sorts by an index:
 * digits from the left are group (1), priority (1), customer's place (2), waiting since in Unix seconds (11).
 */
final readonly class NextUp
{
    public const LAST_PLACE = 99;

    private const SECONDS = 100_000_000_000;

    private const GROUP = 1_000 * self::SECONDS;

    private const NOT_WAITING = self::SECONDS - 1;

    private function __construct(public DueGroup $group, public int $key) {}

    /**
     * @param  int  $customerPlace  0 to 99, smaller for customers who come first
     * @param  DateTimeImmutable|null  $waitingSince  null where nobody waits: after all who do
     */
    public static function of(DueGroup $group, Priority $priority, int $customerPlace, ?DateTimeImmutable $waitingSince): self
    {
        return new self(
            $group,
            $group->value * self::GROUP
                + $priority->place() * 100 * self::SECONDS
                + max(0, min(self::LAST_PLACE, $customerPlace)) * self::SECONDS
                + max(0, min(self::NOT_WAITING, $waitingSince?->getTimestamp() ?? self::NOT_WAITING)),
        );
    }

    /**
     * By how much the key shrinks when time moves a conversation from one group to another.
     */
    public static function keyBetween(DueGroup $from, DueGroup $to): int
    {
        return ($from->value - $to->value) * self::GROUP;
    }
}
