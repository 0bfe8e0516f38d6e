<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

use DateTimeImmutable;

/**
 * What an incoming message says about the conversation it belongs to.
 */
final readonly class IncomingHints
{
    /**
     * @param  list<string>  $references  message ids of References and In-Reply-To, without brackets
     * @param  int|null  $tokenNumber  the number in a reply token whose signature was right
     * @param  int|null  $subjectNumber  the number marked in the subject
     * @param  string  $sender  the sender's handle, normalised; empty where unknown
     * @param  DateTimeImmutable  $receivedAt  when we received it; what it says of its own date is not trusted
     */
    public function __construct(
        public array $references,
        public ?int $tokenNumber,
        public ?int $subjectNumber,
        public string $sender,
        public BareSubject $subject,
        public DateTimeImmutable $receivedAt,
    ) {}
}
