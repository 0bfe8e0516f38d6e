<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * The conversation began.
 */
final readonly class Began extends Payload
{
    /**
     * @param  Named|null  $linked  the one that it goes on from
     */
    public function __construct(public ?Named $linked) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Began;
    }

    public function sentence(Told $told): string
    {
        return 'Began as a new conversation that links to '.($this->linked->name ?? 'none');
    }
}
