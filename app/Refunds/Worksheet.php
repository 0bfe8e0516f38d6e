<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use App\Returns\CustomerReturn;
use App\Returns\Grade;
use App\Returns\InspectedWorth;
use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\Payment;
use Cairnfield\Core\Refunds\RefundQuote;
use Cairnfield\Core\Refunds\RefundRefused;

/**
 * The reckoning of one refund, as it stands at this moment: what was chosen, and what comes of it or why nothing does.
 */
final readonly class Worksheet
{
    /**
     * @param  RefundQuote|null  $quote  null where it cannot be given back like that
     * @param  RefundsRefused|null  $why  then this says why
     * @param  list<string>  $explained  how each cent came about
     * @param  CustomerReturn|null  $return  the return that it is for
     * @param  array<int, list<array{Grade, string, Money, Money}>>  $deductions  as `InspectedWorth` makes them
     */
    private function __construct(
        public Order $order, public MoneyOfOrder $money, public ChosenRefund $chosen, public ?RefundQuote $quote,
        public ?RefundsRefused $why, public array $explained, public ?CustomerReturn $return, public array $deductions
    ) {}

    public static function of(Order $order, ChosenRefund $chosen): self
    {
        $money = MoneyOfOrder::of($order);
        $return = $chosen->return === null ? null : $order->hasMany(CustomerReturn::class)->with(['lines', 'units'])->find($chosen->return);
        $deductions = [];
        try {
            $deductions = $return instanceof CustomerReturn ? InspectedWorth::of($return)->deductions($money, $chosen->lines) : [];
            $quote = RefundQuote::of($money->paid, $money->earlier, $chosen->request(
                $money->paid->currency, self::captured($money), self::off(array_merge(...array_values($deductions)))
            ));
            $explained = (new ExplainRefund($order, $money, $chosen, $quote, $deductions))->sentences();

            return new self($order, $money, $chosen, $quote, null, $explained, $return, $deductions);
        } catch (RefundRefused $why) {
            return new self($order, $money, $chosen, null, RefundsRefused::reckoned($why), [], $return, $deductions);
        } catch (RefundsRefused $why) {
            return new self($order, $money, $chosen, null, $why, [], $return, $deductions);
        }
    }

    /**
     * What store credit adds for this refund, in smallest units: a percent of it, by the policy of the return, a half up.
     */
    public function bonus(): int
    {
        $percent = $this->chosen->asCredit ? BigDecimal::of($this->return?->agreedTerms()->creditBonus ?? '0') : BigDecimal::zero();

        return BigDecimal::of($this->total())->multipliedBy($percent)->dividedBy(100, 0, RoundingMode::HALF_UP)->toInt();
    }

    /**
     * What goes back, in smallest units; nothing where it cannot.
     */
    public function total(): int
    {
        return $this->quote?->total->units->toInt() ?? 0;
    }

    /**
     * What the inspection takes off, in smallest units.
     *
     * @param  int|null  $line  of one line of the order; null for all
     */
    public function deduction(?int $line = null): int
    {
        return self::off($line === null ? array_merge(...array_values($this->deductions)) : $this->deductions[$line] ?? [])->toInt();
    }

    /**
     * @param  array<array{Grade, string, Money, Money}>  $deductions
     */
    private static function off(array $deductions): BigInteger
    {
        return array_reduce(
            $deductions, static fn (BigInteger $sum, array $one): BigInteger => $sum->plus($one[3]->units), BigInteger::zero()
        );
    }

    private static function captured(MoneyOfOrder $money): BigInteger
    {
        $captured = array_map(static fn (Payment $payment): BigInteger => $payment->captured->units, $money->paid->payments);

        return $captured === [] ? BigInteger::zero() : BigInteger::sum(...$captured);
    }
}
