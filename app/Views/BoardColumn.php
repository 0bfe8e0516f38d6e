<?php

declare(strict_types=1);

namespace App\Views;

use App\Queue\QueueRow;

/**
 * One column of a board with its cards.
 */
final readonly class BoardColumn
{
    /**
     * @param  string  $key  what a card becomes that is put here; empty for none
     * @param  list<QueueRow>  $cards
     */
    public function __construct(public string $key, public string $label, public array $cards, public int $count) {}
}
