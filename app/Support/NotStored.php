<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The file store did not take something: it has no room left, or is away. It may well take it later.
 */
final class NotStored extends Refused
{
    public static function now(): self
    {
        return new self(
            'not_stored',
            'A file could not be kept: the file store cannot be written to just now, and may have no room left. An administrator has to '
                .'make room; then try again. What was written stays.'
        );
    }
}
