<?php

declare(strict_types=1);

namespace App\Promises;

use Cairnfield\Core\Promises\Deadline;
use Cairnfield\Core\Promises\Timeline;
use DateTimeImmutable;

/**
 * Reckons all that is and was promised in one conversation from what happened in it, by the core. Each promise is measured by the
 * set, and the version of it, that was in force at its end.
 */
final readonly class ReckonPromises
{
    public function __construct(private PromiseSets $sets) {}

    /**
     * @return array<string, MeasuredPromise> by kind, start and number
     */
    public function of(?WhatHappened $happened, DateTimeImmutable $now): array
    {
        if ($happened === null) {
            return [];
        }
        $now = max($now, $happened->lastAt());
        $measured = [];
        foreach ($this->versionsInForce($happened, $now) as $key => $version) {
            foreach (Timeline::of($version->targets(), $happened->priority, $happened->createdAt, $happened->events, $now) as $instance) {
                if ($key === $this->keyAt($happened, $instance->endedAt ?? $now)) {
                    $measured[] = MeasuredPromise::ofInstance($instance, $version);
                }
            }
        }
        foreach (Deadline::all($happened->withDeadlines, $now) as $deadline) {
            $measured[] = MeasuredPromise::ofDeadline($deadline, $happened->priority->value, $now);
        }
        usort($measured, static fn (MeasuredPromise $one, MeasuredPromise $other): int => [
            $one->startedAt, $one->endedAt ?? $now,
        ] <=> [$other->startedAt, $other->endedAt ?? $now]);
        $numbered = [];
        foreach ($measured as $one) {
            $start = $one->kind->value.'|'.$one->startedAt->format('Y-m-d H:i:s');
            for ($number = 0; isset($numbered["{$start}|{$number}"]); $number++);
            $numbered["{$start}|{$number}"] = $one;
        }

        return $numbered;
    }

    /**
     * Those that were in force when something can have ended, and the one that is now.
     *
     * @return array<string, PromiseSetVersion>
     */
    private function versionsInForce(WhatHappened $happened, DateTimeImmutable $now): array
    {
        $versions = [];
        foreach ([...array_map(static fn ($event): DateTimeImmutable => $event->at, $happened->events), $now] as $at) {
            $version = $this->versionAt($happened, $at);
            if ($version !== null) {
                $versions[self::key($version)] = $version;
            }
        }

        return $versions;
    }

    private function keyAt(WhatHappened $happened, DateTimeImmutable $at): ?string
    {
        $version = $this->versionAt($happened, $at);

        return $version === null ? null : self::key($version);
    }

    private static function key(PromiseSetVersion $version): string
    {
        return "{$version->promise_set_id}-{$version->version}";
    }

    private function versionAt(WhatHappened $happened, DateTimeImmutable $at): ?PromiseSetVersion
    {
        // What came before a set was first looked for is measured by that one.
        $set = $happened->sets[0][1] ?? null;
        foreach ($happened->sets as [$since, $one]) {
            $set = $since <= $at ? $one : $set;
        }
        if ($set === null) {
            return null;
        }
        $versions = $this->sets->versions($set);

        return $versions->last(static fn (PromiseSetVersion $version): bool => $version->since <= $at) ?? $versions->first();
    }
}
