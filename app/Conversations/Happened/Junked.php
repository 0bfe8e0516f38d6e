<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Junked extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::Junked;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Put with the junk');
    }
}
