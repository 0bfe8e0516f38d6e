<?php

declare(strict_types=1);

namespace App\Rules\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class RuleFailed extends Payload
{
    public function __construct(public Named $rule) {}

    public static function kind(): JournalKind
    {
        return JournalKind::RuleFailed;
    }

    public function sentence(Told $told): string
    {
        return "Rule “{$this->rule->name}” could not be carried out";
    }
}
