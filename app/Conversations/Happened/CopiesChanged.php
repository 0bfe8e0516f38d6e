<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class CopiesChanged extends Payload
{
    /**
     * @param  list<string>  $to  addresses
     */
    public function __construct(public array $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::CopiesChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->to === [] ? 'Nobody gets copies any more' : 'Copies of everything go to '.implode(', ', $this->to));
    }
}
