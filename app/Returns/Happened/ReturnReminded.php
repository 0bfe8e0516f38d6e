<?php

declare(strict_types=1);

namespace App\Returns\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

/**
 * What was agreed to come back has not been sent for some days.
 */
final readonly class ReturnReminded extends Payload
{
    public function __construct(public Named $return, public Named $order, public CarbonImmutable $lapses) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ReturnReminded;
    }

    public function sentence(Told $told): string
    {
        return $told->by("Return {$this->return->name} has not been sent yet; it lapses {$told->time($this->lapses)}");
    }
}
