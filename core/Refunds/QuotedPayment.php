<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Cairnfield\Core\Money\Money;

/**
 * What goes back to one payment; above zero.
 */
final readonly class QuotedPayment
{
    public function __construct(public string $payment, public Money $amount) {}
}
