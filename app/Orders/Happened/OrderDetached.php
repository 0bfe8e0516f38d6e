<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class OrderDetached extends Payload
{
    public function __construct(public Named $order) {}

    public static function kind(): JournalKind
    {
        return JournalKind::OrderDetached;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Order {$this->order->name} taken away");
    }
}
