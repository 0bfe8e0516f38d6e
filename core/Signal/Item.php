<?php

declare(strict_types=1);

namespace Cairnfield\Core\Signal;

/**
 * Something of which there are many, and of some of which something bad is told.
 */
final readonly class Item
{
    /**
     * @param  int  $units  0 or more
     * @param  int  $bad  0 or more; 0 where there are no units
     */
    public function __construct(public string $id, public int $units, public int $bad) {}
}
