<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * Nobody can take the turn just now: it is given as soon as somebody can.
 */
final readonly class TurnAwaited extends Payload
{
    public function __construct(public Named $team) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TurnAwaited;
    }

    public function sentence(Told $told): string
    {
        return "Waits for somebody of the team {$this->team->name}";
    }
}
