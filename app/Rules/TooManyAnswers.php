<?php

declare(strict_types=1);

namespace App\Rules;

use RuntimeException;

/**
 * A rule wanted to send more in a minute than an administrator allows.
 */
final class TooManyAnswers extends RuntimeException
{
    public static function of(int $most): self
    {
        return new self(
            "It wanted to send more than {$most} answers in a minute. Its answers wait until somebody looks at it and says go on."
        );
    }
}
