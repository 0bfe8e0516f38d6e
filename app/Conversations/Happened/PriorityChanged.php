<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Cairnfield\Core\Queue\Priority;

final readonly class PriorityChanged extends Payload
{
    public function __construct(public Priority $from, public Priority $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::PriorityChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Priority {$this->to->value}");
    }
}
