<?php

declare(strict_types=1);

namespace App\Customers\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class CustomerSeparated extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::CustomerSeparated;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Merged customers separated again');
    }
}
