<?php

declare(strict_types=1);

namespace App\Promises\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * From now on it is measured by another promise set.
 */
final readonly class PromiseSetApplied extends Payload
{
    /**
     * @param  Named|null  $set  null where none fits any more
     */
    public function __construct(public ?Named $set) {}

    public static function kind(): JournalKind
    {
        return JournalKind::PromiseSetApplied;
    }

    public function sentence(Told $told): string
    {
        return $this->set === null ? 'Nothing is promised from now on' : "Promised as in “{$this->set->name}” from now on";
    }
}
