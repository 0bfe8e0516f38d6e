<?php

declare(strict_types=1);

namespace App\Checklists\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ChecklistTicked extends Payload
{
    public function __construct(public Named $checklist, public string $step, public bool $isTakenBack) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ChecklistTicked;
    }

    public function sentence(Told $told): string
    {
        return $told->by(($this->isTakenBack ? 'Tick taken back: ' : 'Ticked: ').$this->step);
    }
}
