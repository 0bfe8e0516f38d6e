<?php

declare(strict_types=1);

namespace Cairnfield\Core\Returns;

/**
 * From what the days of a return count.
 */
enum CountedFrom: string
{
    case Delivered = 'delivered';

    /** With the days that a parcel takes, where nobody knows when it arrived. */
    case Shipped = 'shipped';

    /** Not sent yet: nothing counts. */
    case Unshipped = 'unshipped';
}
