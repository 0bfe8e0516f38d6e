<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

/**
 * What goes back of so many units of a line.
 */
final readonly class QuotedLine
{
    public function __construct(public string $line, public int $quantity, public QuotedAmount $amount) {}
}
