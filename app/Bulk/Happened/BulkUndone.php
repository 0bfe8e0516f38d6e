<?php

declare(strict_types=1);

namespace App\Bulk\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class BulkUndone extends Payload
{
    public function __construct(public Named $change) {}

    public static function kind(): JournalKind
    {
        return JournalKind::BulkUndone;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Undone: {$this->change->name}");
    }
}
