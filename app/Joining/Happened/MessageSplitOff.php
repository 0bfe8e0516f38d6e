<?php

declare(strict_types=1);

namespace App\Joining\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class MessageSplitOff extends Payload
{
    public function __construct(public Named $other) {}

    public static function kind(): JournalKind
    {
        return JournalKind::SplitOff;
    }

    public function sentence(Told $told): string
    {
        return $told->by("A message was split off into {$this->other->name}");
    }
}
