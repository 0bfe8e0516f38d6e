<?php

declare(strict_types=1);

namespace App\Refunds;

/**
 * How money goes back.
 */
enum PayoutMethod: string
{
    /** To the payment it came from. */
    case Payment = 'payment';

    /** As a code of the shop. */
    case Credit = 'credit';

    /** Not at all: it pays for what is sent in exchange. */
    case Kept = 'kept';

    /** By hand, as somebody has said and a second person has agreed to. */
    case Other = 'other';
}
