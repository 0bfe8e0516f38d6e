<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

/**
 * To which payments money goes back.
 */
enum PaymentsBack: string
{
    /** Each as far as it goes, the first before the next. */
    case InOrder = 'in_order';

    /** To each in proportion to what is left of it. */
    case Proportional = 'proportional';
}
