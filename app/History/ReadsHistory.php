<?php

declare(strict_types=1);

namespace App\History;

use Generator;

/**
 * Reads a file of history item by item, from any place it has stopped at before.
 */
interface ReadsHistory
{
    /**
     * What all of it amounts to, in the unit of the places: bytes or items.
     *
     * @throws HistoryRefused when the file is no such file
     */
    public function size(): int;

    /**
     * @return Generator<int, HistoryItem> in order; memory does not grow with the file
     *
     * @throws HistoryRefused when the file is no such file
     */
    public function from(int $position): Generator;
}
