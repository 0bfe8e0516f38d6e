<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Forwarded extends Payload
{
    /**
     * @param  list<string>  $to  addresses
     */
    public function __construct(public array $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Forwarded;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Forwarded to '.implode(', ', $this->to));
    }
}
