<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

/**
 * So many units of a line of an order.
 */
final readonly class LineUnits
{
    public function __construct(public string $line, public int $quantity) {}
}
