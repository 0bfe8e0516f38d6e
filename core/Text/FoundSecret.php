<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * One place of a text that holds a secret.
 */
final readonly class FoundSecret
{
    /**
     * @param  int  $start  in bytes from the beginning of the text
     * @param  int  $length  in bytes
     * @param  string  $last4  the last four digits or capitals, joiners left out
     */
    public function __construct(
        public SecretKind $kind,
        public int $start,
        public int $length,
        public string $last4,
    ) {}

    public function end(): int
    {
        return $this->start + $this->length;
    }
}
