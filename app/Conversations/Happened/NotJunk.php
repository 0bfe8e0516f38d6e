<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class NotJunk extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::NotJunk;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Taken back from the junk');
    }
}
