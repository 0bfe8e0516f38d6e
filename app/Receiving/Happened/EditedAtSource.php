<?php

declare(strict_types=1);

namespace App\Receiving\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class EditedAtSource extends Payload
{
    public static function kind(): JournalKind
    {
        return JournalKind::EditedAtSource;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return 'The customer changed what they had written there';
    }
}
