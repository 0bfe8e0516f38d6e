<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Assigning\Assignment;
use Cairnfield\Core\Assigning\Candidate;
use Cairnfield\Core\Assigning\Method;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;

final class AssignNext implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Says to whom the next ones are given.
              method  "even" | "weighted" | "fewest_open"
              picks   how many to give, from 0
              needs   skills that whoever takes it must have, may be left out
              people  {"id", "weight": 1, "open": 0, "cap": 30 or null, "available": true, "skills": [],
                       "last_assigned": null, "current": 0}
            Result: {"picked": ["ana", null], "people": [{"id", "open", "last_assigned", "current"}]}
            Errors: bad_input
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $method = Method::tryFrom($case->string('method')) ?? throw BadInput::expected(
            "'even', 'weighted' or 'fewest_open'", $case->at('method')
        );
        $picks = $this->fromZero($case, 'picks');
        $needs = $case->has('needs') ? $case->strings('needs') : [];
        $people = [];
        foreach ($case->objects('people') as $fields) {
            $id = $fields->value('id');
            if ((! is_string($id) && ! is_int($id)) || isset($people["{$id}"])) {
                throw BadInput::expected('an id that nobody else has', $fields->at('id'));
            }
            $people["{$id}"] = new Candidate(
                $id,
                $fields->has('weight') ? $this->fromZero($fields, 'weight') : 1,
                $fields->has('open') ? $this->fromZero($fields, 'open') : 0,
                $fields->has('cap') ? $this->fromZero($fields, 'cap') : null,
                ! $fields->has('available') || $fields->boolean('available'),
                $fields->has('skills') ? $fields->strings('skills') : [],
                $fields->has('last_assigned') ? $fields->integer('last_assigned') : null,
                $fields->has('current') ? $fields->integer('current') : 0,
            );
        }
        $assignment = Assignment::next($method, $picks, $needs, array_values($people));

        return [
            'picked' => $assignment->picked,
            'people' => array_map(
                static fn (Candidate $one): array => [
                    'id' => $one->id, 'open' => $one->open, 'last_assigned' => $one->lastAssigned, 'current' => $one->current,
                ],
                $assignment->people
            ),
        ];
    }

    private function fromZero(Fields $fields, string $name): int
    {
        $number = $fields->integer($name);

        return $number >= 0 ? $number : throw BadInput::expected('a whole number from 0', $fields->at($name));
    }
}
