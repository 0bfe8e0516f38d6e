<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Decimal;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Money\MoneyRefused;
use Cairnfield\Core\Refunds\DeliveryBack;
use Cairnfield\Core\Refunds\EarlierRefund;
use Cairnfield\Core\Refunds\LineUnits;
use Cairnfield\Core\Refunds\OrderLine;
use Cairnfield\Core\Refunds\PaidOrder;
use Cairnfield\Core\Refunds\Payment;
use Cairnfield\Core\Refunds\PaymentsBack;
use Cairnfield\Core\Refunds\QuotedAmount;
use Cairnfield\Core\Refunds\QuotedLine;
use Cairnfield\Core\Refunds\QuotedPayment;
use Cairnfield\Core\Refunds\RefundQuote;
use Cairnfield\Core\Refunds\RefundRefused;
use Cairnfield\Core\Refunds\RefundRequest;
use Cairnfield\Core\Refusal;

final class QuoteRefund implements Calculation
{
    private Currency $currency;

    /** The first amount with too many decimals: told once all could be read. */
    private ?MoneyRefused $imprecise = null;

    /** The first amount, rate or percent below zero: told once all are precise. */
    private ?RefundRefused $negative = null;

    public function help(): string
    {
        return <<<'HELP'
            What an order's lines, delivery, fees and payments give back, to the last smallest unit.
              order     {"currency", "prices_include_tax", "lines": [{"id", "quantity", "unit_price", "discount", "tax_rate"}],
                        "order_discount", "shipping": {"amount", "tax_rate"}, "payments": [{"id", "captured", "refunded"}]}
              earlier   refunds made before: [{"lines": [{"id", "quantity"}], "shipping": "0.00"}]
              request   {"lines": [{"id", "quantity"}], "shipping": "none", "all", "share" or an amount, "fee_percent", "fee_fixed",
                        "label", "goodwill", "payments": "in_order" or "proportional"}
            Result: {"lines": [{"id", "quantity", "net", "tax", "gross"}], "shipping": {"gross", "tax", "net"}, "fee", "label",
                     "goodwill", "total", "payments": [{"id", "amount"}], "left"}
            Errors: bad_input, currency_precision, negative_amount, unknown_line, quantity_over_remaining, shipping_over_remaining,
                    fee_exceeds_refund, nothing_to_refund, over_captured
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $this->imprecise = $this->negative = null;
        $order = $this->order($this->part($case, 'order'));
        $earlier = array_map(
            fn (Fields $refund): EarlierRefund => new EarlierRefund($this->units($refund), $this->money($refund, 'shipping', '0')),
            $case->has('earlier') ? $case->objects('earlier') : []
        );
        $request = $this->request($this->part($case, 'request'));
        $this->refuse($this->imprecise, $this->negative);

        return $this->written(RefundQuote::of($order, $earlier, $request));
    }

    private function refuse(?Refusal ...$reasons): void
    {
        foreach (array_filter($reasons) as $first) {
            throw $first;
        }
    }

    /**
     * @throws BadInput
     */
    private function order(Fields $order): PaidOrder
    {
        $this->currency = Currency::of($order->string('currency'), $order->at('currency'));
        $includesTax = $order->boolean('prices_include_tax');
        $lines = array_map($this->line(...), $order->objects('lines'));
        self::refuseTwins(array_map(static fn (OrderLine $line): string => $line->id, $lines), $order->at('lines'));
        $discount = $this->money($order, 'order_discount', '0');
        $shipping = $order->has('shipping') ? $this->part($order, 'shipping') : null;
        $payments = array_map($this->payment(...), $order->objects('payments'));
        self::refuseTwins(array_map(static fn (Payment $payment): string => $payment->id, $payments), $order->at('payments'));

        return new PaidOrder(
            $this->currency, $includesTax, $lines, $discount,
            $shipping === null ? Money::of('0', $this->currency) : $this->money($shipping, 'amount'),
            $shipping === null ? BigDecimal::zero() : $this->rate($shipping, 'tax_rate'), $payments
        );
    }

    private function line(Fields $line): OrderLine
    {
        $quantity = $line->integer('quantity');
        if ($quantity < 1) {
            throw BadInput::expected('1 or more', $line->at('quantity'));
        }

        return new OrderLine(
            $line->string('id'), $quantity, $this->money($line, 'unit_price'), $this->money($line, 'discount', '0'),
            $this->rate($line, 'tax_rate')
        );
    }

    private function payment(Fields $payment): Payment
    {
        $captured = Decimal::read($payment->string('captured'), $payment->at('captured'));
        $refunded = Decimal::read($payment->has('refunded') ? $payment->string('refunded') : '0', $payment->at('refunded'));
        if ($refunded->isGreaterThan($captured)) {
            throw BadInput::expected('not above what was captured', $payment->at('refunded'));
        }

        return new Payment($payment->string('id'), $this->money($payment, 'captured'), $this->money($payment, 'refunded', '0'));
    }

    private function request(Fields $request): RefundRequest
    {
        $payments = $request->has('payments') ? $request->string('payments') : PaymentsBack::InOrder->value;

        return new RefundRequest(
            $this->units($request), $this->delivery($request), $this->rate($request, 'fee_percent'),
            $this->money($request, 'fee_fixed', '0'), $this->money($request, 'label', '0'), $this->money($request, 'goodwill', '0'),
            PaymentsBack::tryFrom($payments) ?? throw BadInput::expected("'in_order' or 'proportional'", $request->at('payments'))
        );
    }

    private function delivery(Fields $request): DeliveryBack
    {
        $written = $request->has('shipping') ? $request->string('shipping') : 'none';

        return match ($written) {
            'none' => DeliveryBack::none(),
            'all' => DeliveryBack::all(),
            'share' => DeliveryBack::share(),
            default => DeliveryBack::amount($this->money($request, 'shipping')),
        };
    }

    /**
     * @return list<LineUnits>
     */
    private function units(Fields $of): array
    {
        return array_map(
            static fn (Fields $line): LineUnits => new LineUnits($line->string('id'), $line->integer('quantity')),
            $of->has('lines') ? $of->objects('lines') : []
        );
    }

    private function part(Fields $of, string $name): Fields
    {
        return Fields::of($of->object($name), $of->at($name));
    }

    /**
     * @param  string|null  $otherwise  where it is left out; null where it may not be
     */
    private function money(Fields $of, string $name, ?string $otherwise = null): Money
    {
        $written = $otherwise !== null && ! $of->has($name) ? $otherwise : $of->string($name);
        $this->notNegative(Decimal::read($written, $of->at($name)), $of->at($name));
        try {
            return Money::of($written, $this->currency, $of->at($name));
        } catch (MoneyRefused $imprecise) {
            $this->imprecise ??= $imprecise;

            return Money::of('0', $this->currency);
        }
    }

    private function rate(Fields $of, string $name): BigDecimal
    {
        $rate = Decimal::read($of->has($name) ? $of->string($name) : '0', $of->at($name));
        $this->notNegative($rate, $of->at($name));

        return $rate;
    }

    private function notNegative(BigDecimal $amount, string $at): void
    {
        if ($amount->isNegative()) {
            $this->negative ??= RefundRefused::negativeAmount($at);
        }
    }

    /**
     * @param  list<string>  $ids
     */
    private static function refuseTwins(array $ids, string $at): void
    {
        if (count(array_unique($ids)) < count($ids)) {
            throw BadInput::expected('a list in which each has an id of its own', $at);
        }
    }

    /**
     * @return array<string, mixed>
     */
    private function written(RefundQuote $quote): array
    {
        $amount = static fn (QuotedAmount $of): array => [
            'net' => $of->net->toDecimal(), 'tax' => $of->tax->toDecimal(), 'gross' => $of->gross->toDecimal(),
        ];

        return [
            'lines' => array_map(static fn (QuotedLine $line): array => [
                'id' => $line->line, 'quantity' => $line->quantity, ...$amount($line->amount),
            ], $quote->lines),
            'shipping' => [
                'gross' => $quote->delivery->gross->toDecimal(), 'tax' => $quote->delivery->tax->toDecimal(),
                'net' => $quote->delivery->net->toDecimal(),
            ],
            'fee' => $quote->fee->toDecimal(), 'label' => $quote->label->toDecimal(), 'goodwill' => $quote->goodwill->toDecimal(),
            'total' => $quote->total->toDecimal(),
            'payments' => array_map(static fn (QuotedPayment $payment): array => [
                'id' => $payment->payment, 'amount' => $payment->amount->toDecimal(),
            ], $quote->payments),
            'left' => $quote->left->toDecimal(),
        ];
    }
}
