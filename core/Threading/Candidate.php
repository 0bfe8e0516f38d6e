<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateTimeImmutable;

/**
 * A conversation that a message might belong to, as far as threading needs to know it.
 */
final readonly class Candidate
{
    /**
     * @param  list<string>  $messageIds  ids of those of its messages that the incoming one refers to
     * @param  list<string>  $participants  handles that wrote in it or were written to, normalised
     */
    public function __construct(
        public int $number,
        public bool $closed,
        public array $messageIds,
        public array $participants,
        public BareSubject $subject,
        public DateTimeImmutable $lastMessageAt,
    ) {}

    public function hasParticipant(string $handle): bool
    {
        return $handle !== '' && in_array($handle, $this->participants, true);
    }
}
