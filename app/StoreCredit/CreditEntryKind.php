<?php

declare(strict_types=1);

namespace App\StoreCredit;

enum CreditEntryKind: string
{
    case Given = 'given';
    case Used = 'used';
    case Lapsed = 'lapsed';
}
