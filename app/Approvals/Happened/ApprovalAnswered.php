<?php

declare(strict_types=1);

namespace App\Approvals\Happened;

use App\Approvals\ApprovalState;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ApprovalAnswered extends Payload
{
    /**
     * @param  Named  $approval  named by its question
     */
    public function __construct(public Named $approval, public ApprovalState $answer) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ApprovalAnswered;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        $what = match ($this->answer) {
            ApprovalState::Given => 'Approved',
            ApprovalState::Declined => 'Declined',
            default => 'Withdrawn',
        };

        return $told->by($what).": {$this->approval->name}";
    }
}
