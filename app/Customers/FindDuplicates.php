<?php

declare(strict_types=1);

namespace App\Customers;

use App\Orders\Order;
use Cairnfield\Core\Matching\Likeness;
use Cairnfield\Core\Matching\PersonFacts;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/**
 * Compares a customer with those who share something with them, and proposes those who are likely
 * the same person.
 */
final class FindDuplicates implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Nobody has more than these in common with a person. */
    private const MOST_CANDIDATES = 60;

    public int $uniqueFor = 60;

    public function __construct(public readonly int $customerId)
    {
        $this->onQueue('default');
    }

    public function uniqueId(): string
    {
        return (string) $this->customerId;
    }

    public function handle(): void
    {
        $customer = Customer::query()->with(['handles', 'orders'])->find($this->customerId);
        if ($customer === null || $customer->merged_into_id !== null) {
            return;
        }
        $candidates = $this->candidates($customer);
        $named = $this->ordersNamed([$customer->id, ...$candidates->modelKeys()]);
        $facts = $this->facts($customer, $named);
        foreach ($candidates as $other) {
            $likeness = Likeness::of($facts, $this->facts($other, $named));
            if ($likeness->isProposed()) {
                $this->propose($customer, $other, $likeness);
            }
        }
    }

    /**
     * @return Collection<int, Customer>
     */
    private function candidates(Customer $customer): Collection
    {
        $orderIds = DB::table('conversation_order')
            ->join('conversations', 'conversations.id', '=', 'conversation_id')
            ->where('customer_id', $customer->id)
            ->pluck('order_id');
        $byOrder = Order::query()->whereKey($orderIds)->whereNotNull('customer_id')->pluck('customer_id')
            ->merge(
                DB::table('conversation_order')
                    ->join('conversations', 'conversations.id', '=', 'conversation_id')
                    ->whereIn('order_id', $orderIds->merge($customer->orders->modelKeys()))
                    ->pluck('customer_id')
            );
        $addresses = $customer->orders->pluck('address')->filter()->unique();
        $byAddress = $addresses->isEmpty()
            ? collect()
            : Order::query()->whereIn('address', $addresses)->whereNotNull('customer_id')
                ->limit(self::MOST_CANDIDATES)
                ->pluck('customer_id');
        $ids = $byOrder->merge($byAddress)
            ->merge($this->byHandle($customer))
            ->merge($this->byTelephone($customer))
            ->unique()
            ->reject(static fn ($id): bool => (int) $id === $customer->id);

        return Customer::query()
            ->whereKey($ids->take(self::MOST_CANDIDATES))
            ->whereNull('merged_into_id')
            ->with(['handles', 'orders'])
            ->get();
    }

    /**
     * Those whose account name begins like this one's address, or the other way round.
     *
     * @return list<int>
     */
    private function byHandle(Customer $customer): array
    {
        $ids = [];
        foreach ($customer->handles as $handle) {
            $bare = ltrim((string) preg_replace('/(\+[^@]*)?@.+$/', '', $handle->value), '@');
            if (mb_strlen($bare) >= 5 && $handle->kind !== 'telephone') {
                $pattern = addcslashes($bare, '%_\\');
                array_push($ids, ...Handle::query()
                    ->where('customer_id', '!=', $customer->id)
                    ->where(
                        fn ($query) => $query->whereIn('value', [$bare, "@{$bare}"])
                            ->orWhere('value', 'like', "{$pattern}@%")
                            ->orWhere('value', 'like', "{$pattern}+%")
                    )
                    ->limit(self::MOST_CANDIDATES)
                    ->pluck('customer_id')
                    ->all());
            }
        }

        return $ids;
    }

    /**
     * @return list<int>
     */
    private function byTelephone(Customer $customer): array
    {
        $numbers = $this->telephones($customer);

        return $numbers === []
            ? []
            : array_values(Handle::query()->where('kind', 'telephone')->whereIn('value', $numbers)->pluck('customer_id')->all());
    }

    /**
     * Their own, and those given with their orders, which may be kept with somebody else.
     *
     * @return list<string> E.164
     */
    private function telephones(Customer $customer): array
    {
        $given = $customer->orders->map(
            static fn (Order $order): ?string => $order->telephone === null
                ? null
                : TelephoneNumber::read($order->telephone, $order->country)?->e164
        );
        $own = $customer->handles->where('kind', 'telephone')->pluck('value');

        return array_values($own->merge($given->filter())->unique()->all());
    }

    /**
     * @param  array<int, int|string>  $customerIds
     * @return array<int, list<string>> order numbers that they wrote about, by customer
     */
    private function ordersNamed(array $customerIds): array
    {
        return DB::table('conversation_order')
            ->join('conversations', 'conversations.id', '=', 'conversation_id')
            ->join('orders', 'orders.id', '=', 'order_id')
            ->whereIn('conversations.customer_id', $customerIds)
            ->where('found_by', '!=', 'hand')
            ->get(['conversations.customer_id', 'orders.number'])
            ->groupBy('customer_id')
            ->map(static fn ($rows): array => array_values($rows->pluck('number')->unique()->all()))
            ->all();
    }

    /**
     * @param  array<int, list<string>>  $named
     */
    private function facts(Customer $customer, array $named): PersonFacts
    {
        $values = static fn (callable $kind): array => array_values(
            $customer->handles->filter(static fn (Handle $handle): bool => $kind($handle->kind))
                ->map(static fn (Handle $handle): string => $handle->value)
                ->all()
        );
        $orders = array_values($customer->orders->pluck('number')->all());

        return new PersonFacts(
            $customer->name,
            $values(static fn (string $kind): bool => $kind === 'email'),
            $this->telephones($customer),
            $values(static fn (string $kind): bool => $kind !== 'email' && $kind !== 'telephone'),
            array_values($customer->orders->pluck('address')->filter()->unique()->all()),
            $orders,
            array_values(array_diff($named[$customer->id] ?? [], $orders)),
        );
    }

    private function propose(Customer $customer, Customer $other, Likeness $likeness): void
    {
        [$one, $two] = $customer->id < $other->id ? [$customer->id, $other->id] : [$other->id, $customer->id];
        $found = [
            'points' => $likeness->points,
            'reasons' => json_encode($likeness->reasons, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        ];
        // Both may be looked at in one moment, each finding the other.
        $isNew = DuplicateProposal::query()->insertOrIgnore([
            'one_id' => $one,
            'other_id' => $two,
            ...$found,
            'state' => DuplicateProposal::PROPOSED,
            'created_at' => now(),
            'updated_at' => now(),
        ]) === 1;
        if (! $isNew) {
            // What somebody has decided stays as it is.
            DuplicateProposal::query()->where('one_id', $one)
                ->where('other_id', $two)
                ->where('state', DuplicateProposal::PROPOSED)
                ->update($found);
        }
    }
}
