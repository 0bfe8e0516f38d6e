<?php

declare(strict_types=1);

namespace App\Channels\Services;

use RuntimeException;
use Throwable;

/**
 * A service did not do what it was asked. Its message says what it answered.
 */
final class ServiceFault extends RuntimeException
{
    private function __construct(
        string $message,
        public readonly bool $isFinal,
        public readonly ?int $status,
        public readonly ?int $retryAfter,
        ?Throwable $previous,
    ) {
        parent::__construct($message, 0, $previous);
    }

    public static function unreachable(string $service, Throwable $why): self
    {
        return new self("{$service} could not be reached or did not answer in time: {$why->getMessage()}", false, null, null, $why);
    }

    public static function notAsked(string $service, Throwable $why): self
    {
        return new self("{$service} is not asked: {$why->getMessage()}", false, null, null, $why);
    }

    public static function busy(string $service, int $retryAfter): self
    {
        return new self("{$service} asks us to come back in {$retryAfter} seconds.", false, 429, $retryAfter, null);
    }

    public static function broken(string $service, int $status): self
    {
        return new self("{$service} answered with an error of its own ({$status}).", false, $status, null, null);
    }

    public static function refused(string $service, int $status, string $why): self
    {
        return new self("{$service} refused ({$status}): {$why}", true, $status, null, null);
    }

    public static function unreadable(string $service): self
    {
        return new self("{$service} answered something that is not JSON.", false, null, null, null);
    }
}
