<?php

declare(strict_types=1);

namespace App\Promises\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

/**
 * Somebody has agreed another time with the customer, or taken that back.
 */
final readonly class TimeAgreed extends Payload
{
    /**
     * @param  CarbonImmutable|null  $at  null where it was taken back
     */
    public function __construct(public ?CarbonImmutable $at) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TimeAgreed;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->at === null ? 'The agreed time was taken back' : 'Agreed with the customer: '.$told->time($this->at));
    }
}
