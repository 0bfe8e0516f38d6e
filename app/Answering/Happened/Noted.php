<?php

declare(strict_types=1);

namespace App\Answering\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class Noted extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::Noted;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return ($told->who ?? 'Cairnfield').' wrote a note';
    }
}
