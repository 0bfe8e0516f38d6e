<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Delivered extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::Delivered;
    }

    public function sentence(Told $told): string
    {
        return 'The answer was delivered';
    }
}
