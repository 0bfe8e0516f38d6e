<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Store\Store;
use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Templates\Day;
use Cairnfield\Core\Templates\Wording;
use DateTimeInterface;
use Locale;
use NumberFormatter;

/**
 * Amounts, rates and days as the customer writes them.
 */
final readonly class ShownForCustomer
{
    private Wording $wording;

    private Currency $currency;

    /**
     * @param  array<string, mixed>  $content  of the credit note
     */
    public function __construct(private string $language, array $content)
    {
        $this->wording = new Wording($language, Store::current()->zone(), (string) $content['to']['country']);
        $this->currency = Currency::of((string) $content['currency']);
    }

    /**
     * @param  int  $units  smallest units of the note's currency
     */
    public function money(int $units): string
    {
        return $this->wording->of(Money::ofUnits(BigInteger::of($units), $this->currency));
    }

    /**
     * @param  string  $percent  such as 25.5
     */
    public function rate(string $percent): string
    {
        $mark = (new NumberFormatter($this->language, NumberFormatter::DECIMAL))->getSymbol(NumberFormatter::DECIMAL_SEPARATOR_SYMBOL);

        return str_replace('.', (string) $mark, (string) BigDecimal::of($percent))."\u{a0}%";
    }

    /**
     * @param  DateTimeInterface|string  $day  a moment, or a date such as 2026-11-24
     */
    public function day(DateTimeInterface|string $day): string
    {
        return $this->wording->of(is_string($day) ? Day::of($day) : Day::at($day, Store::current()->zone()));
    }

    public function country(string $code): string
    {
        return (string) Locale::getDisplayRegion("und-{$code}", $this->language);
    }
}
