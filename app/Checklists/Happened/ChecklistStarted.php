<?php

declare(strict_types=1);

namespace App\Checklists\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ChecklistStarted extends Payload
{
    public function __construct(public Named $checklist) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ChecklistStarted;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Checklist “{$this->checklist->name}” started");
    }
}
