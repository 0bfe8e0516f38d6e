<?php

declare(strict_types=1);

namespace App\Nudges\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class NudgeCalledOff extends Payload
{
    public function __construct(public Named $plan) {}

    public static function kind(): JournalKind
    {
        return JournalKind::NudgeCalledOff;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Nudge plan “{$this->plan->name}” called off");
    }
}
