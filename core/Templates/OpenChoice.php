<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * A choice while it is being read, or the whole text around all choices.
 *
 * @internal
 */
final class OpenChoice
{
    /** @var list<array{Question|null, list<Part>}> */
    private array $branches = [];

    /** @var list<Part> */
    private array $parts = [];

    /**
     * @param  Question|null  $question  of the branch that is being read; null in an else, and for the whole text
     */
    public function __construct(public readonly string $at, private ?Question $question = null) {}

    public function add(Part $part): void
    {
        $this->parts[] = $part;
    }

    /**
     * Whether another branch can follow.
     */
    public function asks(): bool
    {
        return $this->question !== null;
    }

    public function goOn(?Question $question): void
    {
        $this->branches[] = [$this->question, $this->parts];
        $this->question = $question;
        $this->parts = [];
    }

    public function closed(): Choice
    {
        return new Choice([...$this->branches, [$this->question, $this->parts]]);
    }

    /**
     * @return list<Part>
     */
    public function parts(): array
    {
        return $this->parts;
    }
}
