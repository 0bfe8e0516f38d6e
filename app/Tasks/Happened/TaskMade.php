<?php

declare(strict_types=1);

namespace App\Tasks\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class TaskMade extends Payload
{
    public function __construct(public Named $task, public Named $assignee, public CarbonImmutable $due) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TaskMade;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Task for {$this->assignee->name}: {$this->task->name}");
    }
}
