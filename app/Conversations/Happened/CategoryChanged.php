<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class CategoryChanged extends Payload
{
    public function __construct(public ?Named $from, public ?Named $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::CategoryChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Category '.($this->to->name ?? 'taken away'));
    }
}
