<?php

declare(strict_types=1);

namespace App\History\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Imported extends Payload
{
    public function __construct(public Named $import) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Imported;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Taken over from earlier history ({$this->import->name})");
    }
}
