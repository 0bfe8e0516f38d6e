<?php

declare(strict_types=1);

namespace App\Channels;

use RuntimeException;
use Throwable;

/**
 * What an account needs could not be reached, or did not let us in. Its message says what to do, to whoever connects it.
 */
final class NotConnected extends RuntimeException
{
    public static function since(Throwable $why): self
    {
        return new self($why->getMessage(), 0, $why);
    }
}
