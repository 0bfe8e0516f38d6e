<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Money\Money;

/**
 * A line of an order as it was bought.
 */
final readonly class OrderLine
{
    /**
     * @param  string  $id  its own within the order
     * @param  int  $quantity  units, 1 or more
     * @param  Money  $discount  off the whole line
     * @param  BigDecimal  $taxRate  such as 0.23; 0 or more
     */
    public function __construct(
        public string $id, public int $quantity, public Money $unitPrice, public Money $discount, public BigDecimal $taxRate
    ) {}
}
