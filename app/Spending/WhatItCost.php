<?php

declare(strict_types=1);

namespace App\Spending;

use App\Orders\ShownMoney;
use App\Refunds\RefundState;
use App\Store\Store;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What refunds, returns and goodwill cost: by reason, by product and by week, in each currency.
 */
final class WhatItCost
{
    public const WEEKS = 12;

    private const SHOWN = 20;

    /**
     * @return list<array{name: string, count: int, returns: int, given: string, goodwill: string}>
     */
    public function byReason(): array
    {
        return $this->rows(self::refunds()->groupBy('refunds.reason', 'refunds.currency')
            ->selectRaw('refunds.reason AS name, refunds.currency'));
    }

    /**
     * By the week in which it was asked for, the store's Monday first.
     *
     * @return list<array{name: string, count: int, returns: int, given: string, goodwill: string}>
     */
    public function byWeek(): array
    {
        $zone = Store::current()->timeZone;
        $weeks = [];
        foreach (self::refunds()->orderBy('refunds.asked_at')->get([
            'refunds.asked_at', 'refunds.currency', 'refunds.total', 'refunds.kept', 'refunds.goodwill', 'refunds.return_id',
        ]) as $refund) {
            $monday = CarbonImmutable::parse((string) $refund->asked_at, 'UTC')->setTimezone($zone)->startOfWeek()->format('Y-m-d');
            $week = $weeks[$monday][$refund->currency] ?? [0, 0, 0, 0];
            $weeks[$monday][$refund->currency] = [
                $week[0] + 1, $week[1] + ($refund->return_id === null ? 0 : 1), $week[2] + $refund->total - $refund->kept,
                $week[3] + $refund->goodwill,
            ];
        }
        krsort($weeks);

        return array_values(array_map(static fn (string $monday, array $of): array => [
            'name' => CarbonImmutable::parse($monday)->format('j M'), 'count' => array_sum(array_column($of, 0)),
            'returns' => array_sum(array_column($of, 1)), 'given' => self::shown(array_combine(array_keys($of), array_column($of, 2))),
            'goodwill' => self::shown(array_combine(array_keys($of), array_column($of, 3))),
        ], array_keys($weeks), $weeks));
    }

    /**
     * @return list<array{name: string, units: int, given: string}>
     */
    public function byProduct(): array
    {
        return array_values(self::refunds()->join('refund_lines', 'refund_lines.refund_id', '=', 'refunds.id')
            ->join('order_lines', 'order_lines.id', '=', 'refund_lines.order_line_id')
            ->groupBy('order_lines.sku', 'refunds.currency')
            ->selectRaw('MAX(order_lines.title) AS name, order_lines.sku, refunds.currency, SUM(refund_lines.quantity) AS units')
            ->selectRaw('SUM(refund_lines.gross) AS given')->get()->groupBy('sku')->map(static fn (Collection $of): array => [
                'name' => (string) $of[0]->name, 'units' => self::sum($of, 'units'),
                'given' => self::shown($of->pluck('given', 'currency')->all()),
            ])->sortByDesc('units')->take(self::SHOWN)->all());
    }

    /**
     * @return list<array{name: string, count: int, returns: int, given: string, goodwill: string}>
     */
    private function rows(Builder $grouped): array
    {
        return array_values($grouped->selectRaw('COUNT(*) AS count, COUNT(refunds.return_id) AS returns')
            ->selectRaw('SUM(refunds.total - refunds.kept) AS given, SUM(refunds.goodwill) AS goodwill')->get()->groupBy('name')
            ->map(static fn (Collection $of, int|string $name): array => [
                'name' => (string) $name, 'count' => self::sum($of, 'count'), 'returns' => self::sum($of, 'returns'),
                'given' => self::shown($of->pluck('given', 'currency')->all()),
                'goodwill' => self::shown($of->pluck('goodwill', 'currency')->all()),
            ])->sortByDesc('count')->all());
    }

    /**
     * @param  Collection<int, \stdClass>  $rows
     */
    private static function sum(Collection $rows, string $column): int
    {
        return array_sum(array_map(intval(...), $rows->pluck($column)->all()));
    }

    /**
     * @param  array<string, mixed>  $amounts  smallest units by currency
     */
    private static function shown(array $amounts): string
    {
        $amounts = array_filter(array_map(intval(...), $amounts));

        return $amounts === [] ? '—' : implode(', ', array_map(ShownMoney::of(...), $amounts, array_keys($amounts)));
    }

    private static function refunds(): Builder
    {
        return DB::table('refunds')->where('refunds.state', '!=', RefundState::Withdrawn)
            ->where('refunds.asked_at', '>=', now()->subWeeks(self::WEEKS));
    }
}
