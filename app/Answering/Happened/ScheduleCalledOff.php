<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ScheduleCalledOff extends Payload
{
    public function __construct(public Named $author) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ScheduleCalledOff;
    }

    public function sentence(Told $told): string
    {
        return 'An answer to be sent later was called off';
    }
}
