<?php

declare(strict_types=1);

namespace App\Tasks\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class TaskDone extends Payload
{
    public function __construct(public Named $task, public bool $isTakenBack) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TaskDone;
    }

    public function sentence(Told $told): string
    {
        return $told->by(($this->isTakenBack ? 'Task open again: ' : 'Task done: ').$this->task->name);
    }
}
