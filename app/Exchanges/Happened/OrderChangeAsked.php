<?php

declare(strict_types=1);

namespace App\Exchanges\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * An order that had not left was cancelled, or goes elsewhere.
 */
final readonly class OrderChangeAsked extends Payload
{
    /**
     * @param  string  $what  such as `cancelled`
     */
    public function __construct(public Named $order, public string $what) {}

    public static function kind(): JournalKind
    {
        return JournalKind::OrderChangeAsked;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Had order {$this->order->name} {$this->what}");
    }
}
