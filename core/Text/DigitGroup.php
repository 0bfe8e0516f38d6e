<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Digits that stand side by side in a text.
 *
 * @internal
 */
final readonly class DigitGroup
{
    /**
     * @param  int  $start  in bytes from the beginning of the text
     * @param  int  $length  in bytes
     * @param  string  $digits  those of ASCII
     * @param  Joined|null  $joined  to the group before; null for the first
     */
    public function __construct(public int $start, public int $length, public string $digits, public ?Joined $joined) {}

    public function end(): int
    {
        return $this->start + $this->length;
    }
}
