<?php

declare(strict_types=1);

namespace App\Refunds;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Money\MoneyRefused;
use Cairnfield\Core\Refunds\DeliveryBack;
use Cairnfield\Core\Refunds\LineUnits;
use Cairnfield\Core\Refunds\PaymentsBack;
use Cairnfield\Core\Refunds\RefundRequest;

/**
 * A worksheet as somebody has filled it in; what is written is read only when it is reckoned, so that nothing of it is lost.
 */
final readonly class ChosenRefund
{
    public const DELIVERY = ['none', 'share', 'all', 'amount'];

    /**
     * @param  array<int, int>  $lines  units, by the id of the order's line
     * @param  string  $goodwill  an amount, or a percent of what was paid, such as `10 %`
     */
    public function __construct(
        public array $lines = [], public string $delivery = 'none', public string $deliveryAmount = '', public string $fee = '',
        public string $label = '', public string $goodwill = '', public bool $inProportion = false
    ) {}

    /**
     * All that is left of an order.
     */
    public static function everything(MoneyOfOrder $money): self
    {
        $back = $money->unitsBack();
        $lines = [];
        foreach ($money->paid->lines as $line) {
            $lines[(int) $line->id] = $line->quantity - ($back[(int) $line->id] ?? 0);
        }

        return new self(array_filter($lines), 'all');
    }

    /**
     * @param  array<mixed>  $written
     */
    public static function read(array $written): self
    {
        $text = static fn (string $key): string => is_scalar($written[$key] ?? null) ? mb_substr(trim((string) $written[$key]), 0, 40) : '';
        $lines = [];
        foreach (is_array($written['lines'] ?? null) ? $written['lines'] : [] as $id => $quantity) {
            if (is_numeric($quantity) && (int) $quantity > 0 && is_int($id)) {
                $lines[$id] = min(1_000_000, (int) $quantity);
            }
        }

        $delivery = in_array($text('delivery'), self::DELIVERY, true) ? $text('delivery') : 'none';

        return new self(
            $lines, $delivery, $text('delivery_amount'), $text('fee'), $text('label'),
            $text('goodwill'), $text('payments') === PaymentsBack::Proportional->value
        );
    }

    /**
     * @return array<string, mixed> as `read` takes it
     */
    public function toArray(): array
    {
        return [
            'lines' => $this->lines, 'delivery' => $this->delivery, 'delivery_amount' => $this->deliveryAmount, 'fee' => $this->fee,
            'label' => $this->label, 'goodwill' => $this->goodwill,
            'payments' => ($this->inProportion ? PaymentsBack::Proportional : PaymentsBack::InOrder)->value,
        ];
    }

    /**
     * @param  BigInteger  $captured  of all payments, of which a percent is meant
     *
     * @throws RefundsRefused where an amount cannot be read
     */
    public function request(Currency $currency, BigInteger $captured): RefundRequest
    {
        return new RefundRequest(
            array_map(
                static fn (int $id, int $quantity): LineUnits => new LineUnits((string) $id, $quantity),
                array_keys($this->lines), $this->lines
            ),
            match ($this->delivery) {
                'all' => DeliveryBack::all(),
                'share' => DeliveryBack::share(),
                'amount' => DeliveryBack::amount(self::amount($this->deliveryAmount, $currency, 'delivery_amount')),
                default => DeliveryBack::none(),
            },
            BigDecimal::zero(), self::amount($this->fee, $currency, 'fee'), self::amount($this->label, $currency, 'label'),
            $this->goodwill($currency, $captured), $this->inProportion ? PaymentsBack::Proportional : PaymentsBack::InOrder
        );
    }

    private function goodwill(Currency $currency, BigInteger $captured): Money
    {
        if (preg_match('/^(\d{1,3}(?:[.,]\d{1,2})?)\s*%$/', $this->goodwill, $percent) !== 1) {
            return self::amount($this->goodwill, $currency, 'goodwill');
        }

        return Money::ofUnits(
            BigDecimal::of($captured)->multipliedBy(str_replace(',', '.', $percent[1]))->dividedBy(100, 0, RoundingMode::HALF_UP)
                ->toBigInteger(),
            $currency
        );
    }

    /**
     * @throws RefundsRefused
     */
    private static function amount(string $written, Currency $currency, string $field): Money
    {
        $plain = str_replace([' ', ','], ['', '.'], $written);
        try {
            $money = Money::of($plain === '' ? '0' : $plain, $currency);
        } catch (BadInput|MoneyRefused) {
            throw RefundsRefused::amount($written, $field);
        }

        return $money->units->isNegative() ? throw RefundsRefused::amount($written, $field) : $money;
    }
}
