<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class TeamChanged extends Payload
{
    public function __construct(public ?Named $from, public ?Named $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TeamChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->to === null ? 'Taken away from its team' : "Given to the team {$this->to->name}");
    }
}
