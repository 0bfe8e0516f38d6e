<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class PartnerAsked extends Payload
{
    /**
     * @param  Named  $partner  the thread with them
     */
    public function __construct(public Named $partner) {}

    public static function kind(): JournalKind
    {
        return JournalKind::PartnerAsked;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Asked {$this->partner->name}");
    }
}
