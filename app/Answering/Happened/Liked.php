<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Liked extends Payload
{
    public function __construct(public bool $isTakenBack) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Liked;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->isTakenBack ? 'Like taken back' : 'Liked in public');
    }
}
