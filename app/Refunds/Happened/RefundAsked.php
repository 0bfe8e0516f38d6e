<?php

declare(strict_types=1);

namespace App\Refunds\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Orders\ShownMoney;

final readonly class RefundAsked extends Payload
{
    /**
     * @param  int  $amount  smallest units of the currency
     * @param  string  $currency  ISO 4217
     */
    public function __construct(public Named $order, public Named $refund, public int $amount, public string $currency) {}

    public static function kind(): JournalKind
    {
        return JournalKind::RefundAsked;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Gave back '.ShownMoney::of($this->amount, $this->currency)." of order {$this->order->name}");
    }
}
