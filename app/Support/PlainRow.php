<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A model with nothing of its own, from which the others learn what all of them begin with.
 */
final class PlainRow extends Row
{
    public static function ready(): void
    {
        new self;
    }
}
