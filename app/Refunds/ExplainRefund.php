<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use App\Orders\TaxPercent;
use App\Returns\Grade;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\QuotedLine;
use Cairnfield\Core\Refunds\RefundQuote;

/**
 * How each cent of a refund came about, in words with the figures in it.
 */
final readonly class ExplainRefund
{
    /**
     * @param  array<int, list<array{Grade, string, Money, Money}>>  $deductions  as `InspectedWorth` makes them
     */
    public function __construct(
        private Order $order, private MoneyOfOrder $money, private ChosenRefund $chosen, private RefundQuote $quote,
        private array $deductions
    ) {}

    /**
     * @return list<string>
     */
    public function sentences(): array
    {
        return array_values(array_filter([
            ...array_map($this->line(...), $this->quote->lines),
            ...$this->inspected(), $this->delivery(), $this->orderDiscount(), $this->goodwill(), $this->fee(),
            $this->quote->label->units->isZero() ? '' : "The customer pays the label, {$this->amount($this->quote->label)}.",
        ]));
    }

    private function line(QuotedLine $line): string
    {
        $bought = $this->order->lines->find((int) $line->line);
        $before = $this->money->unitsBack()[(int) $line->line] ?? 0;
        $rate = TaxPercent::of((string) $bought?->tax_rate);
        $after = $before === 0 ? '' : ", after {$before} that went back before,";
        $tax = $line->amount->tax->units->isZero() ? 'no tax lies in it' : "of it {$this->amount($line->amount->tax)} are {$rate} % tax";

        return "{$bought?->title}: {$line->quantity} of {$bought?->quantity}{$after} is {$this->amount($line->amount->gross)}; {$tax}.";
    }

    /**
     * @return list<string>
     */
    private function inspected(): array
    {
        $sentences = [];
        foreach ($this->deductions as $line => $units) {
            $title = (string) $this->order->lines->find($line)?->title;
            foreach ($units as [$grade, $share, $unit, $off]) {
                $found = mb_strtolower($grade->label());
                $sentences[] = "{$title}, {$found}: of {$this->amount($unit)} we give {$share} %, and take {$this->amount($off)} off.";
            }
        }

        return $sentences;
    }

    private function fee(): string
    {
        $off = array_reduce(
            array_merge(...array_values($this->deductions)),
            static fn (BigInteger $sum, array $one): BigInteger => $sum->plus($one[3]->units), BigInteger::zero()
        );
        $fee = $this->quote->fee->units->minus($off);
        $percent = str_contains($this->chosen->fee, '%') ? ", {$this->chosen->fee} of the goods," : '';

        return $fee->isZero() ? '' : "A fee of {$this->shown($fee)}{$percent} is kept.";
    }

    private function delivery(): string
    {
        $gross = $this->quote->delivery->gross;
        if ($gross->units->isZero()) {
            return '';
        }
        $before = Money::ofUnits(BigInteger::zero(), $gross->currency)->units;
        foreach ($this->money->earlier as $refund) {
            $before = $before->plus($refund->delivery->units);
        }
        $given = $before->isZero() ? '' : ', with '.$this->shown($before).' given before,';

        return match ($this->chosen->delivery) {
            'share' => "Delivery: its share for the goods that are back{$given} is {$this->amount($gross)}.",
            'all' => "Delivery: all that is left of it{$given} is {$this->amount($gross)}.",
            default => "Delivery: {$this->amount($gross)}, as it was chosen.",
        };
    }

    private function orderDiscount(): string
    {
        return $this->order->order_discount === 0 || $this->quote->lines === []
            ? ''
            : "The discount of the order, {$this->order->money($this->order->order_discount)}, is spread over its lines by their price.";
    }

    private function goodwill(): string
    {
        if ($this->quote->goodwill->units->isZero()) {
            return '';
        }
        $percent = str_contains($this->chosen->goodwill, '%') ? ", {$this->chosen->goodwill} of what was paid" : '';

        return "Goodwill: {$this->amount($this->quote->goodwill)}{$percent}.";
    }

    private function amount(Money $money): string
    {
        return $this->shown($money->units);
    }

    private function shown(BigInteger $units): string
    {
        return $this->order->money($units->toInt());
    }
}
