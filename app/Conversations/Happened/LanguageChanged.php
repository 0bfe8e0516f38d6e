<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use App\Support\Languages;

final readonly class LanguageChanged extends Payload
{
    /**
     * @param  string|null  $from  ISO 639-1
     * @param  string  $to  ISO 639-1
     */
    public function __construct(public ?string $from, public string $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::LanguageChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Language '.Languages::name($this->to));
    }
}
