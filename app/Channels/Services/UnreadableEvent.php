<?php

declare(strict_types=1);

namespace App\Channels\Services;

use RuntimeException;

/**
 * An event that cannot be taken as it is. Its message says what is wrong and where.
 */
final class UnreadableEvent extends RuntimeException
{
    private function __construct(public readonly string $problem, string $message)
    {
        parent::__construct($message);
    }

    public static function field(string $place, string $expected): self
    {
        return new self('bad_event', "The event's “{$place}” is not {$expected}.");
    }

    public static function unknownType(string $type): self
    {
        return new self('unknown_event', 'There is no event “'.mb_substr($type, 0, 80).'” that is known here. Nothing was done with it.');
    }

    public static function refused(string $why): self
    {
        return new self('bad_event', $why);
    }
}
