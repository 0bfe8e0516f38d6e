<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * Who placed an order was asked at their own address whether it was them who wrote.
 */
final readonly class BuyerAsked extends Payload
{
    /**
     * @param  Named  $in  the conversation in which they were asked
     */
    public function __construct(public Named $order, public Named $in) {}

    public static function kind(): JournalKind
    {
        return JournalKind::BuyerAsked;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Who placed order {$this->order->name} was asked at their own address, in {$this->in->name},");
    }
}
