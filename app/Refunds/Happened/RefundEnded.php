<?php

declare(strict_types=1);

namespace App\Refunds\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Orders\ShownMoney;

final readonly class RefundEnded extends Payload
{
    /**
     * @param  int  $amount  smallest units of the currency: what has gone back, or what could not
     * @param  string  $currency  ISO 4217
     */
    public function __construct(
        public Named $order, public Named $refund, public int $amount, public string $currency, public bool $isGivenBack
    ) {}

    public static function kind(): JournalKind
    {
        return JournalKind::RefundEnded;
    }

    public function sentence(Told $told): string
    {
        $amount = ShownMoney::of($this->amount, $this->currency);

        return $this->isGivenBack
            ? "{$amount} of order {$this->order->name} have gone back"
            : "{$amount} of order {$this->order->name} could not go back";
    }
}
