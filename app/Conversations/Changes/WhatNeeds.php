<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use Illuminate\Database\Eloquent\Model;

/**
 * Says what needs a thing, over all places that need any. Each place adds its own in `Support\Contributions`.
 */
final readonly class WhatNeeds
{
    /**
     * @param  iterable<NeedsThings>  $places
     */
    public function __construct(private iterable $places) {}

    /**
     * Before it is taken out of use.
     *
     * @throws StillNeeded
     */
    public function refuseIfNeeded(Model $thing, string $name): void
    {
        $by = $this->by($thing, static fn (Need $need): array => [...$need->sets, ...$need->asks]);
        if ($by !== []) {
            throw StillNeeded::by($name, $by);
        }
    }

    /**
     * Before it becomes part of another of its kind: what asks for it finds that one then.
     *
     * @throws StillNeeded
     */
    public function refuseIfSet(Model $thing, string $name): void
    {
        $by = $this->by($thing, static fn (Need $need): array => $need->sets);
        if ($by !== []) {
            throw StillNeeded::by($name, $by);
        }
    }

    /**
     * @param  callable(Need): list<Reference>  $references
     * @return list<string>
     */
    private function by(Model $thing, callable $references): array
    {
        $meant = Reference::allTo($thing);
        $by = [];
        foreach ($this->places as $place) {
            foreach ($place->needs() as $need) {
                foreach ($references($need) as $reference) {
                    if (array_filter($meant, $reference->equals(...)) !== []) {
                        $by[] = $need->by;
                        break;
                    }
                }
            }
        }

        return $by;
    }
}
