<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class Scheduled extends Payload
{
    public function __construct(public CarbonImmutable $at, public bool $unlessAnswered) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Scheduled;
    }

    public function sentence(Told $told): string
    {
        return $told->by('To be sent '.$told->time($this->at).($this->unlessAnswered ? ', unless the customer answers first' : ''));
    }
}
