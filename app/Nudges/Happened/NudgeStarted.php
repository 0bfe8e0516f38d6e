<?php

declare(strict_types=1);

namespace App\Nudges\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class NudgeStarted extends Payload
{
    public function __construct(public Named $plan, public CarbonImmutable $next) {}

    public static function kind(): JournalKind
    {
        return JournalKind::NudgeStarted;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Nudge plan “{$this->plan->name}” started, first reminder ".$told->time($this->next));
    }
}
