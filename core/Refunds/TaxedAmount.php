<?php

declare(strict_types=1);

namespace Cairnfield\Core\Refunds;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;

/**
 * An amount with the tax that lies in it, in smallest units.
 *
 * @internal
 */
final readonly class TaxedAmount
{
    public function __construct(public BigInteger $gross, public BigInteger $tax) {}

    /**
     * By what the price says: with the tax in it or without.
     */
    public static function ofPrice(BigInteger $price, BigDecimal $rate, bool $includesTax): self
    {
        if ($includesTax) {
            return new self($price, HalfUp::taxIn($price, $rate));
        }
        $tax = HalfUp::taxOn($price, $rate);

        return new self($price->plus($tax), $tax);
    }

    /**
     * The tax of what goes back, such that all steps together give back exactly the tax of the whole.
     *
     * @param  BigInteger  $before  gross that went back before
     * @param  BigInteger  $after  and with this
     */
    public function taxBetween(BigInteger $before, BigInteger $after): BigInteger
    {
        return HalfUp::part($this->tax, $after, $this->gross)->minus(HalfUp::part($this->tax, $before, $this->gross));
    }
}
