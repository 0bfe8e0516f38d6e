<?php

declare(strict_types=1);

namespace App\Refunds\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Orders\ShownMoney;

final readonly class RefundWithdrawn extends Payload
{
    /**
     * @param  int  $amount  smallest units of the currency, of which nothing went back
     * @param  string  $currency  ISO 4217
     */
    public function __construct(public Named $order, public Named $refund, public int $amount, public string $currency) {}

    public static function kind(): JournalKind
    {
        return JournalKind::RefundWithdrawn;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Gave up on giving back '.ShownMoney::of($this->amount, $this->currency)." of order {$this->order->name}");
    }
}
