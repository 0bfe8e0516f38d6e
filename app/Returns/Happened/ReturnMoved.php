<?php

declare(strict_types=1);

namespace App\Returns\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Returns\ReturnState;

/**
 * A return has come a step further.
 */
final readonly class ReturnMoved extends Payload
{
    /**
     * @param  ReturnState|null  $before  null where it begins
     * @param  string  $reason  why it comes back
     * @param  string  $how  what is to be said of the step, such as how it was settled
     */
    public function __construct(
        public Named $return, public Named $order, public ?ReturnState $before, public ReturnState $now, public string $reason,
        public string $how
    ) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ReturnMoved;
    }

    public function sentence(Told $told): string
    {
        $of = "{$this->return->name} of order {$this->order->name}";
        $said = match ($this->now) {
            ReturnState::Asked => "Asked for return {$of}: ".mb_strtolower($this->reason),
            ReturnState::Agreed => "Agreed to return {$of}",
            ReturnState::OnItsWay => "Return {$of} is on its way",
            ReturnState::Arrived => "Return {$of} has arrived",
            ReturnState::Inspected => $this->before === ReturnState::Settled ? "Return {$of} is to be settled anew"
                : "Inspected return {$of}",
            ReturnState::Settled => "Settled return {$of}",
            ReturnState::Declined => "Declined return {$of}",
            ReturnState::Withdrawn => "Withdrew return {$of}",
            ReturnState::Lapsed => "Return {$of} was not sent in time",
        };

        return $told->by($said.($this->how === '' ? '' : ": {$this->how}"));
    }
}
