<?php

declare(strict_types=1);

namespace Cairnfield\Core\Money;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Input\BadInput;

/**
 * An amount in whole smallest units (cents, yen, fils) of one currency, of any size and either sign.
 */
final readonly class Money
{
    private function __construct(public BigInteger $units, public Currency $currency) {}

    public static function ofUnits(BigInteger $units, Currency $currency): self
    {
        return new self($units, $currency);
    }

    /**
     * @param  string  $amount  a decimal string in the currency's main unit, with at most its digits
     *
     * @throws BadInput when the amount is no decimal string
     * @throws MoneyRefused `currency_precision` when it is written with more decimals than the currency has
     */
    public static function of(string $amount, Currency $currency, string $at = 'amount'): self
    {
        $decimal = Decimal::read($amount, $at);
        if ($decimal->getScale() > $currency->digits) {
            throw MoneyRefused::precision($amount, $currency, $at);
        }

        return new self($decimal->withPointMovedRight($currency->digits)->toBigInteger(), $currency);
    }

    /**
     * The amount in the main unit with exactly the currency's digits: `12.50`, `1250` for yen.
     */
    public function toDecimal(): string
    {
        return (string) BigDecimal::ofUnscaledValue($this->units, $this->currency->digits);
    }
}
