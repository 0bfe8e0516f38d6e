<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Replied extends Payload
{
    public function __construct(public string $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::Replied;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        $who = $told->who ?? 'Somebody';

        return $told->rule === null ? "{$who} replied" : "The rule “{$told->rule}” answered as {$who}";
    }
}
