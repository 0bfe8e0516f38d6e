<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class OwnerChanged extends Payload
{
    public function __construct(public ?Named $from, public ?Named $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::OwnerChanged;
    }

    public function sentence(Told $told): string
    {
        return match (true) {
            $this->to === null => $told->by('Given back: nobody’s yet'),
            $this->to->name === $told->who => "Taken by {$told->who}",
            default => $told->by("Given to {$this->to->name}"),
        };
    }
}
