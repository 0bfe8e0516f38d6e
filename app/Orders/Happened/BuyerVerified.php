<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * A person said that who writes may know of an order that somebody else placed.
 */
final readonly class BuyerVerified extends Payload
{
    public function __construct(public Named $order) {}

    public static function kind(): JournalKind
    {
        return JournalKind::BuyerVerified;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Confirmed that who writes may know of order {$this->order->name}");
    }
}
