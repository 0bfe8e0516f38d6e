<?php

declare(strict_types=1);

namespace App\Spending;

use App\Refunds\RefundState;
use Cairnfield\Core\Signal\Excess;
use Cairnfield\Core\Signal\Item;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Where more money goes back than chance would have it: to customers, by people on like matters, to one address under several names.
 * For a person to judge; most of it has a good reason.
 */
final class UnusualSpending
{
    public const DAYS = 180;

    private const LEVEL = 0.05;

    private const SHOWN = 30;

    /** All who got nothing back, as one. */
    private const OTHERS = 'others';

    /**
     * Of their orders, those of which money went back, beside what all customers' orders give by chance.
     *
     * @return list<SpendingLine> those with two or more, the least likely first
     */
    public function customers(): array
    {
        $orders = DB::table('orders')->whereNotNull('customer_id')->where('placed_at', '>=', now()->subDays(self::DAYS));
        $all = (clone $orders)->count();
        $refunded = self::refunds()->join('orders', 'orders.id', '=', 'refunds.order_id')->whereNotNull('orders.customer_id')
            ->where('orders.placed_at', '>=', now()->subDays(self::DAYS))->groupBy('orders.customer_id')
            ->selectRaw('orders.customer_id AS id, COUNT(DISTINCT orders.id) AS bad')->pluck('bad', 'id');
        if ($refunded->isEmpty()) {
            return [];
        }
        $counts = (clone $orders)->whereIn('customer_id', $refunded->keys())->groupBy('customer_id')
            ->selectRaw('customer_id, COUNT(*) AS count')
            ->pluck('count', 'customer_id');
        $names = DB::table('customers')->whereIn('id', $refunded->keys())->pluck('name', 'id');
        $items = [];
        foreach ($refunded as $id => $bad) {
            $items[] = new Item((string) $id, (int) $counts[$id], (int) $bad);
        }
        $rest = $all - (int) $counts->sum();
        $rest === 0 ?: $items[] = new Item(self::OTHERS, $rest, 0);

        return self::lines(Excess::of($items, self::LEVEL), static fn (string $id): ?SpendingName => $id === self::OTHERS
            ? null
            : new SpendingName((string) $names[(int) $id], "/customers/{$id}"));
    }

    /**
     * Of what each gave back for a reason, where something was added as goodwill, beside what all give for it.
     *
     * @return list<SpendingLine> the least likely first
     */
    public function people(): array
    {
        $rows = self::refunds()->whereNotNull('refunds.teammate_id')->groupBy('refunds.reason', 'refunds.teammate_id')
            ->selectRaw('refunds.reason, refunds.teammate_id, COUNT(*) AS units, SUM(refunds.goodwill > 0) AS bad')->get()
            ->groupBy('reason');
        $names = DB::table('teammates')->pluck('name', 'id');
        $lines = [];
        foreach ($rows as $reason => $of) {
            if ($of->count() < 2 || (int) $of->sum('bad') === 0) {
                continue;
            }
            $items = array_values($of->map(
                static fn (object $one): Item => new Item((string) $one->teammate_id, (int) $one->units, (int) $one->bad)
            )->all());
            array_push($lines, ...self::lines(
                Excess::of($items, self::LEVEL),
                static fn (string $id): SpendingName => new SpendingName("{$names[(int) $id]}: ".mb_strtolower((string) $reason), null)
            ));
        }
        usort($lines, static fn (SpendingLine $a, SpendingLine $b): int => $a->chance <=> $b->chance);

        return array_slice($lines, 0, self::SHOWN);
    }

    /**
     * One address under several names, to which money went back more than once.
     *
     * @return list<array{address: string, names: string, orders: int, refunds: int}>
     */
    public function addresses(): array
    {
        return array_values(DB::table('orders')->joinSub(
            self::refunds()->groupBy('refunds.order_id')->selectRaw('refunds.order_id, COUNT(*) AS count'), 'given', 'given.order_id',
            '=', 'orders.id'
        )->where('orders.address', '!=', '')->groupBy('orders.country', 'orders.address')
            ->havingRaw('COUNT(DISTINCT orders.buyer_name) > 1')
            ->orderByRaw('SUM(given.count) DESC')->limit(self::SHOWN)
            ->selectRaw("orders.country, orders.address, GROUP_CONCAT(DISTINCT orders.buyer_name SEPARATOR ', ') AS names")
            ->selectRaw('COUNT(*) AS orders, SUM(given.count) AS refunds')->get()->map(static fn (object $one): array => [
                'address' => "{$one->address}, {$one->country}", 'names' => mb_substr((string) $one->names, 0, 300),
                'orders' => (int) $one->orders, 'refunds' => (int) $one->refunds,
            ])->all());
    }

    private static function refunds(): Builder
    {
        return DB::table('refunds')->where('refunds.state', '!=', RefundState::Withdrawn)
            ->where('refunds.asked_at', '>=', now()->subDays(self::DAYS));
    }

    /**
     * @param  callable(string): (SpendingName|null)  $name  null for what is not listed
     * @return list<SpendingLine>
     */
    private static function lines(Excess $excess, callable $name): array
    {
        $lines = [];
        foreach ($excess->items as $one) {
            $called = $one->item->bad < 2 ? null : $name($one->item->id);
            $called === null ?: $lines[] = new SpendingLine(
                $called->name, $called->path, $one->item->units, $one->item->bad, $one->expected, $one->chance,
                in_array($one->item->id, $excess->found, true)
            );
        }
        usort($lines, static fn (SpendingLine $a, SpendingLine $b): int => $a->chance <=> $b->chance);

        return array_slice($lines, 0, self::SHOWN);
    }
}
