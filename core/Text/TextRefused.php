<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

use Cairnfield\Core\Refusal;

/**
 * What cannot be looked for in a text.
 */
final class TextRefused extends Refusal
{
    public static function badMask(string $mask): self
    {
        return new self(
            'bad_mask',
            "The pattern “{$mask}” cannot be used. Write # for a digit and @ for a letter, at least three of them, and the rest as "
                .'it stands, like B-2####.',
            'mask'
        );
    }
}
