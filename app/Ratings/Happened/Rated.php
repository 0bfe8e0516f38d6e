<?php

declare(strict_types=1);

namespace App\Ratings\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Rated extends Payload
{
    /**
     * @param  int  $score  1 to 5
     */
    public function __construct(public int $score, public string $comment) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Rated;
    }

    public function sentence(Told $told): string
    {
        return "The customer gave {$this->score} of 5 stars".($this->comment === '' ? '' : ": “{$this->comment}”");
    }
}
