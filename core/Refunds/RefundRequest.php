<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Money\Money;

/**
 * What is to be given back of an order.
 */
final readonly class RefundRequest
{
    /**
     * @param  list<LineUnits>  $lines
     * @param  BigDecimal  $feePercent  of the goods, such as 12.5; 0 or more
     * @param  Money  $label  what the parcel back costs the customer
     * @param  Money  $goodwill  beyond goods and delivery
     */
    public function __construct(
        public array $lines, public DeliveryBack $delivery, public BigDecimal $feePercent, public Money $feeFixed, public Money $label,
        public Money $goodwill, public PaymentsBack $payments
    ) {}
}
