<?php

declare(strict_types=1);

namespace App\Promises\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Promises\PromisedKind;
use Carbon\CarbonImmutable;

/**
 * A promise was missed.
 */
final readonly class PromiseMissed extends Payload
{
    /**
     * @param  Named|null  $set  null for what a marketplace wants, and what was agreed by hand
     */
    public function __construct(public PromisedKind $promise, public CarbonImmutable $dueAt, public ?Named $set) {}

    public static function kind(): JournalKind
    {
        return JournalKind::PromiseMissed;
    }

    public function sentence(Told $told): string
    {
        return $this->promise->inFull().' missed: it was due '.$told->time($this->dueAt);
    }
}
