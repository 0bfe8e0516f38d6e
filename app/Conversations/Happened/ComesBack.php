<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class ComesBack extends Payload
{
    public function __construct(public CarbonImmutable $until) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ComesBack;
    }

    public function sentence(Told $told): string
    {
        return $told->by('To come back '.$told->time($this->until));
    }
}
