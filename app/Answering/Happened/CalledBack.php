<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class CalledBack extends Payload
{
    /**
     * @param  list<string>  $to  whom it would have gone to
     */
    public function __construct(public array $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::CalledBack;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Called back before it was on its way');
    }
}
