<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateTimeImmutable;

/**
 * What is known of an item that comes without a subject: a post, a comment, a direct or order message.
 */
final readonly class PersonHints
{
    /**
     * @param  string|null  $thread  the source's own id of the thread; null where it has none
     * @param  bool  $answersOurs  whether it is written in direct answer to something of ours
     * @param  int  $joinWithin  seconds within which the same person's next item joins; 0: never
     */
    public function __construct(
        public ?string $thread,
        public bool $answersOurs,
        public int $joinWithin,
        public DateTimeImmutable $receivedAt,
    ) {}
}
