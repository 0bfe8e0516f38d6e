<?php

declare(strict_types=1);

namespace App\Approvals\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ApprovalAsked extends Payload
{
    /**
     * @param  Named|null  $of  null for any lead
     * @param  Named  $approval  named by its question
     */
    public function __construct(public ?Named $of, public Named $approval) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ApprovalAsked;
    }

    public function sentence(Told $told): string
    {
        return $told->by('Asked '.($this->of->name ?? 'the leads').' for an approval');
    }
}
