<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class OrderAttached extends Payload
{
    /**
     * @param  string  $foundBy  `number`, `marketplace`, `handle` or `hand`
     */
    public function __construct(public Named $order, public string $foundBy) {}

    public static function kind(): JournalKind
    {
        return JournalKind::OrderAttached;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Order {$this->order->name} put beside it");
    }
}
