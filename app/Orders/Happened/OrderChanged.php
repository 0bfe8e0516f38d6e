<?php

declare(strict_types=1);

namespace App\Orders\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Orders\ShownMoney;

final readonly class OrderChanged extends Payload
{
    /**
     * @param  string|null  $from  the status before
     * @param  string|null  $to  the status now
     * @param  int|null  $refunded  what was given back, in smallest units of the currency
     * @param  string  $currency  ISO 4217
     */
    public function __construct(
        public Named $order,
        public ?string $from,
        public ?string $to,
        public ?int $refunded,
        public string $currency,
    ) {}

    public static function kind(): JournalKind
    {
        return JournalKind::OrderChanged;
    }

    public function sentence(Told $told): string
    {
        return $this->refunded === null
            ? "Order {$this->order->name} is {$this->to} now"
            : "Order {$this->order->name}: ".ShownMoney::of($this->refunded, $this->currency).' given back';
    }
}
