<?php

declare(strict_types=1);

namespace Cairnfield\Core\Assigning;

/**
 * Decides to whom the next ones are given.
 */
final readonly class Assignment
{
    /**
     * @param  list<string|int|null>  $picked  in their order; null where nobody could take it
     * @param  list<Candidate>  $people  as they stand afterwards
     */
    private function __construct(public array $picked, public array $people) {}

    /**
     * @param  int  $picks  how many to give, from 0
     * @param  list<string>  $needs  skills that whoever takes it must have
     * @param  list<Candidate>  $people  each with an id of their own; where two come even, the first is picked
     */
    public static function next(Method $method, int $picks, array $needs, array $people): self
    {
        $picked = [];
        for ($pick = 0; $pick < $picks; $pick++) {
            $eligible = array_filter($people, static fn (Candidate $one): bool => $one->canTake($method, $needs));
            if ($eligible === []) {
                // Nothing changes, so nobody can take the others either.
                return new self([...$picked, ...array_fill(0, $picks - $pick, null)], $people);
            }
            $lowered = 0;
            if ($method === Method::Weighted) {
                $eligible = array_map(static fn (Candidate $one): Candidate => $one->grown(), $eligible);
                $lowered = array_sum(array_map(static fn (Candidate $one): int => $one->weight, $eligible));
                $people = array_values(array_replace($people, $eligible));
            }
            $at = self::first($method, $eligible);
            $numbers = array_filter(array_map(static fn (Candidate $one): ?int => $one->lastAssigned, $people), is_int(...));
            $last = $numbers === [] ? 0 : max($numbers);
            $picked[] = $people[$at]->id;
            $people = array_values(array_replace($people, [$at => $people[$at]->given($last + 1, $lowered)]));
        }

        return new self($picked, $people);
    }

    /**
     * @param  non-empty-array<int, Candidate>  $eligible
     */
    private static function first(Method $method, array $eligible): int
    {
        $rank = static fn (Candidate $one): array => match ($method) {
            Method::Even => [$one->lastAssigned ?? PHP_INT_MIN],
            Method::FewestOpen => [$one->open, $one->lastAssigned ?? PHP_INT_MIN],
            Method::Weighted => [-$one->current],
        };
        // Sorting is stable: of those that come even the first stays first.
        uasort($eligible, static fn (Candidate $one, Candidate $other): int => $rank($one) <=> $rank($other));

        return array_key_first($eligible);
    }
}
