<?php

declare(strict_types=1);

namespace App\Approvals;

enum ApprovalState: string
{
    case Asked = 'asked';
    case Given = 'given';
    case Declined = 'declined';
    case Withdrawn = 'withdrawn';
}
