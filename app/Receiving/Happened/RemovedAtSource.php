<?php

declare(strict_types=1);

namespace App\Receiving\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class RemovedAtSource extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::RemovedAtSource;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return 'The customer removed it there';
    }
}
