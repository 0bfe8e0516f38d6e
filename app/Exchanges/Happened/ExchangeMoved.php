<?php

declare(strict_types=1);

namespace App\Exchanges\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Exchanges\ExchangeState;

/**
 * Goods are sent in place of others, or cannot be.
 */
final readonly class ExchangeMoved extends Payload
{
    /**
     * @param  Named  $exchange  named by what is sent
     * @param  Named|null  $newOrder  once the shop has it
     */
    public function __construct(public Named $exchange, public Named $order, public ExchangeState $now, public ?Named $newOrder) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ExchangeMoved;
    }

    public function sentence(Told $told): string
    {
        return $told->by(match ($this->now) {
            ExchangeState::Asked => "Had {$this->exchange->name} sent for order {$this->order->name}",
            ExchangeState::Placed => "{$this->exchange->name}, for order {$this->order->name}, is order {$this->newOrder?->name}",
            ExchangeState::NotThere => "{$this->exchange->name}, for order {$this->order->name}, is not in stock any more",
            ExchangeState::GivenUp => "Gave up on sending {$this->exchange->name} for order {$this->order->name}",
        });
    }
}
