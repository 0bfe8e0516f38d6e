<?php

declare(strict_types=1);

namespace App\Channels;

use RuntimeException;
use Throwable;

/**
 * The other side did not take a message over. Its message says why, to the person who wrote it.
 */
final class DeliveryFailed extends RuntimeException
{
    private function __construct(
        string $message,
        public readonly bool $isFinal,
        ?Throwable $previous,
        public readonly ?int $retryAfter = null,
    ) {
        parent::__construct($message, 0, $previous);
    }

    /**
     * Worth another try later.
     *
     * @param  int|null  $retryAfter  seconds that the other side asked to be left alone for
     */
    public static function forNow(string $why, ?Throwable $previous = null, ?int $retryAfter = null): self
    {
        return new self($why, false, $previous, $retryAfter);
    }

    /**
     * Refused for good; trying again unchanged would be refused again.
     */
    public static function forGood(string $why, ?Throwable $previous = null): self
    {
        return new self($why, true, $previous);
    }
}
