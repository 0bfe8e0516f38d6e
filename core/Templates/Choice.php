<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * `{{ if … }} … {{ else if … }} … {{ else }} … {{ end }}`: the first branch whose question is answered with yes. What is withheld
 * answers no question: see `Withheld`.
 */
final readonly class Choice implements Part
{
    /**
     * @param  list<array{Question|null, list<Part>}>  $branches  the last may be without a question
     */
    public function __construct(public array $branches) {}

    public function fill(Filling $filling): void
    {
        foreach ($this->branches as [$question, $parts]) {
            if ($question !== null && $question->isWithheld($filling)) {
                $isSilent = count($this->branches) === 1 && ! $question->not;
                $isSilent || $filling->leaveGap($question->name);

                return;
            }
            if ($question === null || $question->holds($filling)) {
                foreach ($parts as $part) {
                    $part->fill($filling);
                }

                return;
            }
        }
    }

    public function placeholders(): array
    {
        $placeholders = [];
        foreach ($this->branches as [$question, $parts]) {
            if ($question !== null) {
                $placeholders[] = new Placeholder([$question->name], '', $question->at);
            }
            foreach ($parts as $part) {
                array_push($placeholders, ...$part->placeholders());
            }
        }

        return $placeholders;
    }
}
