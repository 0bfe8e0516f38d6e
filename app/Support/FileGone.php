<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * A file that was kept is not in the store, or not whole.
 */
final class FileGone extends RuntimeException
{
    public static function named(string $name): self
    {
        return new self("The stored file '{$name}' is missing or damaged.");
    }
}
