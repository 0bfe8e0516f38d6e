<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * Handed to a lead, since it needs one.
 */
final readonly class ReachedUpwards extends Payload
{
    public function __construct(public Named $lead) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ReachedUpwards;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function saysWhy(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Reached upwards to {$this->lead->name}").($told->why === '' ? '' : ": {$told->why}");
    }
}
