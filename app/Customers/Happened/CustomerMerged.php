<?php

declare(strict_types=1);

namespace App\Customers\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class CustomerMerged extends Payload
{
    public function __construct(public Named $kept, public Named $merged) {}

    public static function kind(): JournalKind
    {
        return JournalKind::CustomerMerged;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Customer merged: {$this->merged->name} is {$this->kept->name}");
    }
}
