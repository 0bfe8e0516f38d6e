<?php

declare(strict_types=1);

namespace Cairnfield\Core\Input;

use Cairnfield\Core\Refusal;

/**
 * A field that is missing, of the wrong type, not readable, or outside its values.
 */
final class BadInput extends Refusal
{
    public const CODE = 'bad_input';

    public static function missing(string $at): self
    {
        return new self(self::CODE, "'{$at}' is missing.", $at);
    }

    public static function expected(string $what, string $at): self
    {
        return new self(self::CODE, "'{$at}' must be {$what}.", $at);
    }

    public static function notAnObject(): self
    {
        return new self(self::CODE, 'The case is not a JSON object.', '');
    }
}
