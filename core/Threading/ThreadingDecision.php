<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * Where an incoming message goes: on in a conversation, or into a new one that may link to an earlier.
 */
final readonly class ThreadingDecision
{
    /**
     * @param  int|null  $continues  the number of the conversation to go on in
     * @param  int|null  $linksTo  the number of an earlier conversation that the new one links to
     * @param  ThreadedBy|null  $by  what either was found by
     * @param  bool  $isClosed  whether that earlier conversation is over, so that nobody goes on in it
     */
    private function __construct(
        public ?int $continues,
        public ?int $linksTo,
        public ?ThreadedBy $by,
        public bool $isClosed = false,
    ) {}

    public static function continues(int $number, ThreadedBy $by): self
    {
        return new self($number, null, $by);
    }

    public static function beginsNewLinkedTo(int $number, ThreadedBy $by, bool $isClosed = false): self
    {
        return new self(null, $number, $by, $isClosed);
    }

    public static function beginsNew(): self
    {
        return new self(null, null, null);
    }
}
