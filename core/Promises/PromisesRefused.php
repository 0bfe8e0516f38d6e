<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

use Cairnfield\Core\Refusal;

final class PromisesRefused extends Refusal
{
    public static function badEvents(string $why, string $at): self
    {
        return new self('bad_events', $why, $at);
    }
}
