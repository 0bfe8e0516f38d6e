<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Queue\Priority;
use DateTimeImmutable;

/**
 * What a team promises in one conversation, and where each promise stands at a moment.
 */
final class Timeline
{
    /**
     * The conversation begins at `createdAt`, open, with the customer's first message, which is not among the events.
     *
     * @param  list<Target>  $targets
     * @param  Priority  $priority  at the beginning
     * @param  list<Event>  $events  in the order of time; those of one instant in the order in which they happened
     * @return list<Instance> by their start, then by the order of the targets, then as they began
     *
     * @throws PromisesRefused `bad_events` when events are out of order, before the beginning or after now
     */
    public static function of(
        array $targets, Priority $priority, DateTimeImmutable $createdAt, array $events, DateTimeImmutable $now
    ): array {
        self::refuseDisorder($createdAt, $events, $now);
        $instances = [];
        foreach ($targets as $target) {
            $walk = new Walk($target, $priority, $createdAt);
            foreach ($events as $event) {
                $walk->take($event);
            }
            foreach ($walk->spans() as [$span, $inForce]) {
                $cameToNothing = $span->state === InstanceState::Dropped && $span->endedAt == $span->startedAt;
                $instances[] = $cameToNothing ? null : Instance::measure($span, $target, $inForce, $now);
            }
        }
        $instances = array_values(array_filter($instances));
        // Sorting is stable: what started at once keeps the order of the targets.
        usort($instances, static fn (Instance $one, Instance $other): int => $one->startedAt <=> $other->startedAt);

        return $instances;
    }

    /**
     * @param  list<Event>  $events
     */
    private static function refuseDisorder(DateTimeImmutable $createdAt, array $events, DateTimeImmutable $now): void
    {
        if ($now < $createdAt) {
            throw PromisesRefused::badEvents("'now' is before 'created_at'.", 'now');
        }
        $before = $createdAt;
        foreach ($events as $index => $event) {
            match (true) {
                $event->at < $before => throw PromisesRefused::badEvents(
                    $before === $createdAt ? "An event is before 'created_at'." : 'An event is before the one that stands before it.',
                    "events[{$index}].at"
                ),
                $event->at > $now => throw PromisesRefused::badEvents("An event is after 'now'.", "events[{$index}].at"),
                default => null,
            };
            $before = $event->at;
        }
    }
}
