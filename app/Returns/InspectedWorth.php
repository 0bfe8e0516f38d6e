<?php

declare(strict_types=1);

namespace App\Returns;

use App\Refunds\ChosenRefund;
use App\Refunds\MoneyOfOrder;
use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Refunds\PricedOrder;
use Cairnfield\Core\Returns\Deduction;

/**
 * What an inspected return is worth: which units give money back, and what the grade of each takes off.
 */
final readonly class InspectedWorth
{
    /**
     * @param  array<int, list<Grade>>  $grades  of the units that give something back, by the id of the order's line
     */
    private function __construct(private ReturnTerms $terms, private array $grades) {}

    public static function of(CustomerReturn $return): self
    {
        $return->loadMissing(['lines', 'units']);
        $terms = $return->agreedTerms();
        $grades = [];
        foreach ($return->lines as $line) {
            $units = $return->units->where('order_line_id', $line->order_line_id)->sortBy('place')
                ->map(static fn (ReturnUnit $unit): Grade => $unit->grade)->values()->all();
            // Nobody has looked at what need not be looked at, or stays with the customer.
            $found = $return->units->isEmpty() ? array_fill(0, $line->quantity, Grade::AsNew) : $units;
            $grades[$line->order_line_id] = array_values(array_filter(
                $found, static fn (Grade $grade): bool => BigDecimal::of($terms->share($grade))->isPositive()
            ));
        }

        return new self($terms, array_filter($grades));
    }

    /**
     * The worksheet that it begins with.
     *
     * @param  MoneyOfOrder  $money  of its order
     */
    public function chosen(CustomerReturn $return, MoneyOfOrder $money): ChosenRefund
    {
        $back = $money->unitsBack();
        $lines = [];
        foreach ($money->paid->lines as $line) {
            $id = (int) $line->id;
            $lines[$id] = min(count($this->grades[$id] ?? []), $line->quantity - ($back[$id] ?? 0));
        }
        $currency = $money->paid->currency;
        $label = $this->customerPaysLabel() && ! $return->stays ? $this->terms->labelCost[$currency->code] ?? 0 : 0;

        return new ChosenRefund(
            array_filter($lines), $this->terms->delivery, fee: $this->terms->fee === '0' ? '' : "{$this->terms->fee} %",
            label: $label === 0 ? '' : Money::ofUnits(BigInteger::of($label), $currency)->toDecimal(), return: $return->id
        );
    }

    /**
     * What the grades take off the units that go back, by the id of the order's line: nothing where nothing is taken off.
     *
     * @param  array<int, int>  $lines  units, by the id of the order's line
     * @return array<int, list<array{Grade, string, Money, Money}>> grade, percent that is given, worth of the unit, what is taken off
     */
    public function deductions(MoneyOfOrder $money, array $lines): array
    {
        $priced = PricedOrder::of($money->paid);
        $back = $money->unitsBack();
        $all = [];
        foreach ($money->paid->lines as $line) {
            $id = (int) $line->id;
            $before = $back[$id] ?? 0;
            foreach (array_slice($this->grades[$id] ?? [], 0, min($lines[$id] ?? 0, $line->quantity - $before)) as $place => $grade) {
                $unit = $priced->unit($line->id, $before + $place);
                $off = Deduction::of($unit, BigDecimal::of($this->terms->share($grade)));
                $off->units->isZero() ?: $all[$id][] = [$grade, $this->terms->share($grade), $unit, $off];
            }
        }

        return $all;
    }

    /**
     * What was faulty comes back at our cost.
     */
    private function customerPaysLabel(): bool
    {
        $grades = array_merge(...array_values($this->grades));

        return $this->terms->customerPays && ! in_array(Grade::Faulty, $grades, true);
    }
}
