<?php

declare(strict_types=1);

namespace App\Orders;

/**
 * The orders that a message names: in its text, or by the marketplace that sent it.
 */
final readonly class FindOrders
{
    private const LATELY_DAYS = 60;

    public function __construct(private OrderNumbers $numbers) {}

    /**
     * @param  string|null  $named  the number that the source says the message is about
     * @param  string|null  $typed  the number that its sender gave in a field for it
     */
    public function for(string $text, ?string $named, ?string $typed = null): FoundOrders
    {
        $all = array_values(array_unique(array_filter([$named, $typed, ...$this->numbers->in($text)])));
        if ($all === []) {
            return new FoundOrders(collect(), [], []);
        }
        $keys = array_values(array_unique([
            ...array_map(OrderNumbers::key(...), $all), ...($typed === null ? [] : $this->numbers->keysOf($typed)),
        ]));
        $orders = Order::query()
            ->where(fn ($query) => $query->whereIn('number_key', $keys)->orWhereIn('marketplace_key', $keys))
            ->limit(20)
            ->get();
        $by = [];
        foreach ($orders as $order) {
            // Anybody can write a number; that the marketplace says it as well is what counts.
            $isNamed = $named !== null && in_array(
                OrderNumbers::key($named), [$order->number_key, (string) $order->marketplace_key], true
            );
            $by[$order->id] = $isNamed ? 'marketplace' : 'number';
        }
        $known = $orders->flatMap(static fn (Order $order): array => [$order->number_key, $order->marketplace_key])->all();

        return new FoundOrders($orders->toBase(), $by, array_values(array_filter(
            $all,
            fn (string $number): bool => array_intersect(
                $number === $typed ? $this->numbers->keysOf($number) : [OrderNumbers::key($number)], $known
            ) === [],
        )));
    }

    /**
     * Where nothing is named: the one order that this customer has placed lately. With two of them it
     * would be a guess, and a person chooses.
     */
    public function latelyOf(int $customerId): FoundOrders
    {
        $orders = Order::query()
            ->where('customer_id', $customerId)
            ->where('placed_at', '>=', now()->subDays(self::LATELY_DAYS))
            ->orderByDesc('placed_at')
            ->limit(2)
            ->get();

        return $orders->count() !== 1
            ? new FoundOrders(collect(), [], [])
            : new FoundOrders($orders->toBase(), [$orders[0]->id => 'handle'], []);
    }
}
