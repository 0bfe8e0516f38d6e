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
    /** In place of a payment. */
    public const AS_CREDIT = 'credit';

    public const DELIVERY = ['none', 'share', 'all', 'amount'];

    /**
     * @param  array<int, int>  $lines  units, by the id of the order's line
     * @param  string  $fee  an amount, or a percent of the goods, such as `15 %`
     * @param  string  $goodwill  an amount, or a percent of what was paid, such as `10 %`
     * @param  bool  $asCredit  whether it goes back as store credit, in place of the payments
     * @param  int|null  $return  the return that it is for, whose inspection takes off what it takes off
     */
    public function __construct(
        public array $lines = [], public string $delivery = 'none', public string $deliveryAmount = '', public string $fee = '',
        public string $label = '', public string $goodwill = '', public bool $inProportion = false,
        public ?int $return = null, public bool $asCredit = false
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
            $text('goodwill'), $text('payments') === PaymentsBack::Proportional->value,
            ctype_digit($text('return')) ? (int) $text('return') : null, $text('payments') === self::AS_CREDIT
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
            'payments' => $this->asCredit
                ? self::AS_CREDIT
                : ($this->inProportion ? PaymentsBack::Proportional : PaymentsBack::InOrder)->value,
            'return' => $this->return,
        ];
    }

    /**
     * @param  BigInteger  $captured  of all payments, of which a percent is meant
     * @param  BigInteger  $deduction  what an inspection takes off, in smallest units
     *
     * @throws RefundsRefused where an amount cannot be read
     */
    public function request(Currency $currency, BigInteger $captured, BigInteger $deduction): RefundRequest
    {
        $percent = self::percent($this->fee);
        $fee = $percent === null ? self::amount($this->fee, $currency, 'fee')->units : BigInteger::zero();

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
            $percent ?? BigDecimal::zero(), Money::ofUnits($fee->plus($deduction), $currency),
            self::amount($this->label, $currency, 'label'),
            $this->goodwill($currency, $captured), $this->inProportion ? PaymentsBack::Proportional : PaymentsBack::InOrder
        );
    }

    private function goodwill(Currency $currency, BigInteger $captured): Money
    {
        $percent = self::percent($this->goodwill);
        if ($percent === null) {
            return self::amount($this->goodwill, $currency, 'goodwill');
        }

        return Money::ofUnits(
            BigDecimal::of($captured)->multipliedBy($percent)->dividedBy(100, 0, RoundingMode::HALF_UP)
                ->toBigInteger(),
            $currency
        );
    }

    /**
     * @return BigDecimal|null null where no percent is written
     */
    private static function percent(string $written): ?BigDecimal
    {
        return preg_match('/^(\d{1,3}(?:[.,]\d{1,2})?)\s*%$/', $written, $percent) === 1
            ? BigDecimal::of(str_replace(',', '.', $percent[1]))
            : null;
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
