<?php

declare(strict_types=1);

namespace Cairnfield\Core\Signal;

use Cairnfield\Core\Refusal;

final class SignalRefused extends Refusal
{
    public static function badWithoutUnits(string $id, string $at): self
    {
        return new self('bad_without_units', "Something bad is told of '{$id}', of which there is nothing.", $at);
    }

    public static function noUnits(string $at): self
    {
        return new self('no_units', 'There are no units at all.', $at);
    }
}
