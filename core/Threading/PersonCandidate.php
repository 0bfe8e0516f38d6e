<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateTimeImmutable;

/**
 * A conversation that this person has on this account.
 */
final readonly class PersonCandidate
{
    /**
     * @param  list<string>  $threads  the source's threads that its messages belong to
     */
    public function __construct(
        public int $number,
        public bool $closed,
        public array $threads,
        public DateTimeImmutable $lastMessageAt,
    ) {}
}
