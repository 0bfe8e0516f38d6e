<?php

declare(strict_types=1);

namespace App\Joining\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Joined extends Payload
{
    public function __construct(public Named $other) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Joined;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return $told->by("{$this->other->name} joined into this one");
    }
}
