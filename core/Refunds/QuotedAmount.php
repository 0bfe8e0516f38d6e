<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Cairnfield\Core\Money\Money;

/**
 * What goes back of a line or of the delivery.
 */
final readonly class QuotedAmount
{
    public function __construct(public Money $net, public Money $tax, public Money $gross) {}
}
