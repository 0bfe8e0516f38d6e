<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Reposted extends Payload
{
    public function __construct(public bool $isTakenBack) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Reposted;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->isTakenBack ? 'Re-post taken back' : 'Re-posted in public');
    }
}
