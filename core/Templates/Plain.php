<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * Text that stays as it is.
 */
final readonly class Plain implements Part
{
    public function __construct(public string $text) {}

    public function fill(Filling $filling): void
    {
        $filling->write($this->text);
    }

    public function placeholders(): array
    {
        return [];
    }
}
