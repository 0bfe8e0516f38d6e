<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Support\Refused;

/**
 * A condition asks for something that is not there, or not any more.
 */
final class UnknownField extends Refused
{
    public static function named(string $key): self
    {
        return new self('named', "It asks for “{$key}”, which is not there any more. Change or remove that condition.");
    }
}
