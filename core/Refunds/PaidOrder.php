<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;

/**
 * An order as it was bought and paid, all in one currency.
 */
final readonly class PaidOrder
{
    /**
     * @param  bool  $pricesIncludeTax  whether its prices, discounts and delivery hold the tax already
     * @param  list<OrderLine>  $lines
     * @param  Money  $discount  off the whole order
     * @param  BigDecimal  $deliveryTaxRate  such as 0.23; 0 or more
     * @param  list<Payment>  $payments
     */
    public function __construct(
        public Currency $currency, public bool $pricesIncludeTax, public array $lines, public Money $discount, public Money $delivery,
        public BigDecimal $deliveryTaxRate, public array $payments
    ) {}
}
