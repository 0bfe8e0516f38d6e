<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class StateChanged extends Payload
{
    /**
     * @param  CarbonImmutable|null  $until  when what is held comes back
     * @param  Named|null  $outcome  of what is resolved
     */
    public function __construct(
        public ConversationState $from,
        public ConversationState $to,
        public ?CarbonImmutable $until,
        public ?Named $outcome,
    ) {}

    public static function kind(): JournalKind
    {
        return JournalKind::StateChanged;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function saysWhy(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        $text = match ($this->to) {
            ConversationState::Open => 'Open again',
            ConversationState::Waiting => 'Waiting on customer',
            ConversationState::Held => 'Held',
            ConversationState::Resolved => 'Resolved',
            ConversationState::Closed => 'Closed for good',
        };
        $because = $told->why === '' ? '' : ": {$told->why}";
        $back = $this->until === null ? '' : ', comes back '.$told->time($this->until);

        return $told->by($text).$because.$back;
    }
}
