<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use Brick\Math\BigInteger;
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
     */
    private function __construct(
        public Order $order, public MoneyOfOrder $money, public ChosenRefund $chosen, public ?RefundQuote $quote,
        public ?RefundsRefused $why, public array $explained
    ) {}

    public static function of(Order $order, ChosenRefund $chosen): self
    {
        $money = MoneyOfOrder::of($order);
        try {
            $quote = RefundQuote::of($money->paid, $money->earlier, $chosen->request($money->paid->currency, self::captured($money)));

            return new self($order, $money, $chosen, $quote, null, (new ExplainRefund($order, $money, $chosen, $quote))->sentences());
        } catch (RefundRefused $why) {
            return new self($order, $money, $chosen, null, RefundsRefused::reckoned($why), []);
        } catch (RefundsRefused $why) {
            return new self($order, $money, $chosen, null, $why, []);
        }
    }

    /**
     * What goes back, in smallest units; nothing where it cannot.
     */
    public function total(): int
    {
        return $this->quote?->total->units->toInt() ?? 0;
    }

    private static function captured(MoneyOfOrder $money): BigInteger
    {
        $captured = array_map(static fn (Payment $payment): BigInteger => $payment->captured->units, $money->paid->payments);

        return $captured === [] ? BigInteger::zero() : BigInteger::sum(...$captured);
    }
}
