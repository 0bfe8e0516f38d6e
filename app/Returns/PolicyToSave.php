<?php

declare(strict_types=1);

namespace App\Returns;

use Brick\Math\BigInteger;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Money\MoneyRefused;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * A policy as it leaves its form, checked; and what stands in the form of one.
 */
final readonly class PolicyToSave
{
    private const PERCENT = ['required', 'regex:/^\d{1,2}([.,]\d{1,2})?$|^100$/'];

    private function __construct(public ?string $marketplace, public ?int $group, public string $productWords, public ReturnTerms $terms) {}

    /**
     * @throws ReturnRefused
     */
    public static function of(Request $request): self
    {
        $days = ['required', 'integer', 'between:0,3650'];
        $shares = [];
        foreach (Grade::cases() as $grade) {
            $shares["shares.{$grade->value}"] = self::PERCENT;
        }
        $written = $request->validate([
            'marketplace' => ['nullable', 'string', 'max:40'], 'group' => ['nullable', 'integer', 'exists:customer_groups,id'],
            'product_words' => ['nullable', 'string', 'max:300'], 'days' => $days,
            'transit_days' => ['required', 'integer', 'between:0,90'],
            'customer_pays' => ['required', 'boolean'], 'label_cost' => ['nullable', 'string', 'max:300'], 'fee' => self::PERCENT,
            'delivery' => ['required', Rule::in(ReturnTerms::DELIVERY)], 'stays_under' => ['nullable', 'string', 'max:300'],
            'longer_in' => ['nullable', 'string', 'max:1000'], 'send_within' => ['required', 'integer', 'between:1,365'],
            'remind_after' => ['required', 'integer', 'between:0,365'], 'credit_bonus' => self::PERCENT,
            'shares' => ['required', 'array'], ...$shares,
        ], attributes: ['fee' => 'fee', 'shares.*' => 'share']);

        return new self(
            ($written['marketplace'] ?? '') === '' ? null : $written['marketplace'],
            ($written['group'] ?? '') === '' ? null : (int) $written['group'], trim($written['product_words'] ?? ''), new ReturnTerms(
                (int) $written['days'], (int) $written['transit_days'], $request->boolean('to_open_day'),
                (bool) $written['customer_pays'], self::amounts($written['label_cost'] ?? '', 'label_cost'), self::percent($written['fee']),
                $written['delivery'], $request->boolean('needs_photo'), $request->boolean('needs_inspection'),
                self::amounts($written['stays_under'] ?? '', 'stays_under'), self::countries($written['longer_in'] ?? ''),
                array_map(self::percent(...), array_intersect_key(
                    $written['shares'], array_flip(array_column(Grade::cases(), 'value'))
                )), (int) $written['send_within'], (int) $written['remind_after'],
                self::percent($written['credit_bonus'])
            )
        );
    }

    /**
     * @param  string|null  $marketplace  where the order was sold; null for everywhere
     */
    public static function with(ReturnTerms $terms, string $productWords = '', ?string $marketplace = null): self
    {
        return new self($marketplace, null, $productWords, $terms);
    }

    /**
     * As it stands in a form: `6.50 EUR, 49.00 DKK`.
     *
     * @param  array<string, int>  $amounts  smallest units, by currency
     */
    public static function written(array $amounts): string
    {
        return implode(', ', array_map(
            static fn (string $currency, int $units): string => Money::ofUnits(BigInteger::of($units), Currency::of($currency))->toDecimal()
                ." {$currency}", array_keys($amounts), $amounts
        ));
    }

    /**
     * @param  array<string, int>  $days  by country
     */
    public static function writtenCountries(array $days): string
    {
        return implode(', ', array_map(static fn (string $country, int $count): string => "{$country} {$count}", array_keys($days), $days));
    }

    /**
     * @param  int  $units  smallest units
     */
    public static function decimal(int $units, string $currency): string
    {
        return Money::ofUnits(BigInteger::of($units), Currency::of($currency))->toDecimal();
    }

    /**
     * @return array<string, int> smallest units, by currency
     *
     * @throws ReturnRefused
     */
    public static function amounts(string $written, string $at): array
    {
        $amounts = [];
        foreach (self::parts($written) as $part) {
            preg_match('/^(\d[\d.]*)\s*([A-Za-z]{3})$/', $part, $found) === 1 || throw ReturnRefused::badAmount($part, $at);
            try {
                $currency = Currency::of(strtoupper($found[2]));
                $amounts[$currency->code] = Money::of($found[1], $currency)->units->toInt();
            } catch (BadInput|MoneyRefused) {
                throw ReturnRefused::badAmount($part, $at);
            }
        }

        return $amounts;
    }

    /**
     * @return array<string, int>
     */
    private static function countries(string $written): array
    {
        $days = [];
        foreach (self::parts($written) as $part) {
            preg_match('/^([A-Za-z]{2})\s*(\d{1,4})$/', $part, $found) === 1 || throw ReturnRefused::badCountry($part);
            $days[strtoupper($found[1])] = (int) $found[2];
        }

        return $days;
    }

    /**
     * @return list<string>
     */
    private static function parts(string $written): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split('/[,;\n]/', $written) ?: []),
            static fn (string $part): bool => $part !== ''));
    }

    private static function percent(string $written): string
    {
        $plain = str_replace(',', '.', $written);

        return str_contains($plain, '.') ? rtrim(rtrim($plain, '0'), '.') : $plain;
    }
}
