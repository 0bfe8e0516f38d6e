<?php

declare(strict_types=1);

namespace Cairnfield\Core\Signal;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;

/**
 * Which of many items have more bad things than their share gives by chance: the chance of so many or more by the binomial
 * distribution, and those that stand out by Holm's step-down method (Holm 1979), so that looking at many finds no more by chance.
 */
final readonly class Excess
{
    /** A chance that is this near to its bound, relatively, counts as at it. */
    private const NEAR = 1e-9;

    /**
     * @param  list<ItemExcess>  $items  in their order
     * @param  list<string>  $found  the ids of those that stand out, the most striking first
     */
    private function __construct(public int $totalUnits, public int $totalBad, public array $items, public array $found) {}

    /**
     * @param  list<Item>  $items
     * @param  float  $level  between 0 and 1, both excluded: how often chance alone may find anything
     *
     * @throws SignalRefused `bad_without_units` or `no_units`
     */
    public static function of(array $items, float $level): self
    {
        $units = $bad = 0;
        foreach ($items as $index => $item) {
            if ($item->units === 0 && $item->bad > 0) {
                throw SignalRefused::badWithoutUnits($item->id, "items[{$index}].bad");
            }
            $units += $item->units;
            $bad += $item->bad;
        }
        if ($units === 0) {
            throw SignalRefused::noUnits('items');
        }
        $logs = self::logFactorials($bad);
        $all = array_map(static fn (Item $item): ItemExcess => new ItemExcess(
            $item, self::expected($item, $units, $bad), self::chance($item, $units, $bad, $logs)
        ), $items);

        return new self($units, $bad, $all, self::found($all, $level));
    }

    private static function expected(Item $item, int $units, int $bad): string
    {
        return (string) BigDecimal::of(BigInteger::of($bad)->multipliedBy($item->units))->dividedBy($units, 2, RoundingMode::HALF_UP);
    }

    /**
     * Of so many or more of all that is bad, each belonging to the item with the probability of its share.
     *
     * @param  list<float>  $logs  logarithms of the factorials, up to all that is bad
     */
    private static function chance(Item $item, int $units, int $bad, array $logs): float
    {
        if ($item->bad === 0 || $item->units === $units) {
            return 1.0;
        }
        $share = $item->units / $units;
        $isTail = $item->bad > $bad * $share;
        // The shorter side is summed, from its largest term on, so that nothing small is lost.
        [$at, $step, $end] = $isTail ? [$item->bad, 1, $bad] : [$item->bad - 1, -1, 0];
        $term = exp($logs[$bad] - $logs[$at] - $logs[$bad - $at] + $at * log($share) + ($bad - $at) * log1p(-$share));
        $sum = $term;
        $odds = $share / (1 - $share);
        while ($at !== $end && $term > $sum * PHP_FLOAT_EPSILON / 4) {
            $term *= $step === 1 ? ($bad - $at) / ($at + 1) * $odds : $at / ($bad - $at + 1) / $odds;
            $at += $step;
            $sum += $term;
        }

        return max(0.0, min(1.0, $isTail ? $sum : 1 - $sum));
    }

    /**
     * @param  list<ItemExcess>  $all
     * @return list<string>
     */
    private static function found(array $all, float $level): array
    {
        $candidates = array_values(array_filter($all, static fn (ItemExcess $one): bool => $one->item->units > 0));
        // PHP's sort is stable: even ones keep their order.
        usort($candidates, static fn (ItemExcess $a, ItemExcess $b): int => $a->chance <=> $b->chance);
        $found = [];
        foreach ($candidates as $index => $one) {
            if ($one->chance > $level / (count($candidates) - $index) * (1 + self::NEAR)) {
                break;
            }
            $found[] = $one->item->id;
        }

        return $found;
    }

    /**
     * @return list<float>
     */
    private static function logFactorials(int $most): array
    {
        $logs = [0.0];
        // What each addition loses is carried on (Kahan), so that the thousandth is as exact as the first.
        $lost = 0.0;
        for ($number = 1; $number <= $most; $number++) {
            $add = log($number) - $lost;
            $sum = $logs[$number - 1] + $add;
            $lost = ($sum - $logs[$number - 1]) - $add;
            $logs[] = $sum;
        }

        return $logs;
    }
}
