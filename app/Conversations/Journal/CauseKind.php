<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * What can bring something about, where it was no person alone.
 */
enum CauseKind: string
{
    case Rule = 'rule';
    case Step = 'step';
    case Bulk = 'bulk';
    case Nudge = 'nudge';
    case Approval = 'approval';
    case Channel = 'channel';
    case Import = 'import';
}
