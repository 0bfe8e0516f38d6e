<?php

declare(strict_types=1);

namespace App\Customers;

use App\Conversations\PlaceInQueue;
use App\Promises\KeepPromises;
use Illuminate\Support\Facades\DB;

/**
 * Puts a customer into the groups whose conditions they meet, and takes them out of the others.
 */
final class SortIntoGroups
{
    private const AT_ONCE = 500;

    public function __construct(private readonly PlaceInQueue $placeInQueue, private readonly KeepPromises $promises) {}

    public function sort(Customer $customer): void
    {
        $customer->loadMissing('handles')->loadCount('orders');
        $moved = [];
        foreach (CustomerGroup::query()->get() as $group) {
            $moved = [...$moved, ...$this->put($group, [$customer->id => $this->belongs($customer, $group)])];
        }
        $this->placeInQueue->customersMoved([$customer->id]);
        $this->promises->customersChanged($moved);
    }

    /**
     * All groups anew: what is known of customers changes with every order and message.
     */
    public function everybody(): void
    {
        CustomerGroup::query()->get()->each($this->all(...));
    }

    /**
     * All customers anew, after a group was changed.
     */
    public function all(CustomerGroup $group): void
    {
        Customer::query()
            ->whereNull('merged_into_id')
            ->with('handles')
            ->withCount('orders')
            ->chunkById(self::AT_ONCE, function ($customers) use ($group): void {
                $moved = $this->put(
                    $group,
                    $customers->mapWithKeys(fn (Customer $customer): array => [$customer->id => $this->belongs($customer, $group)])->all()
                );
                $this->placeInQueue->customersMoved(array_values(array_map(intval(...), $customers->pluck('id')->all())));
                $this->promises->customersChanged($moved);
            });
    }

    private function belongs(Customer $customer, CustomerGroup $group): bool
    {
        foreach ($group->conditions as $condition) {
            $wanted = mb_strtolower(trim($condition['is']));
            $holds = match ($condition['field']) {
                'email domain' => $customer->handles->contains(
                    static fn (Handle $handle): bool => $handle->kind === 'email' && str_ends_with($handle->value, '@'.ltrim($wanted, '@'))
                ),
                'orders at least' => (int) $customer->getAttribute('orders_count') >= (int) $wanted,
                'language' => mb_strtolower((string) $customer->language) === $wanted,
                default => mb_strtolower(trim((string) ($customer->facts[$condition['field']] ?? ''))) === $wanted,
            };
            if (! $holds) {
                return false;
            }
        }

        return $group->conditions !== [] && $customer->merged_into_id === null;
    }

    /**
     * @param  array<int, bool>  $belongs  by customer
     * @return list<int> those who came or went
     */
    private function put(CustomerGroup $group, array $belongs): array
    {
        $in = array_keys(array_filter($belongs));
        $were = DB::table('customer_group_members')->where('group_id', $group->id)->whereIn('customer_id', array_keys($belongs))
            ->pluck('customer_id')->map(intval(...))->all();
        DB::table('customer_group_members')
            ->where('group_id', $group->id)
            ->whereIn('customer_id', array_keys($belongs))
            ->whereNotIn('customer_id', $in)
            ->delete();
        DB::table('customer_group_members')->insertOrIgnore(
            array_map(static fn (int $id): array => ['group_id' => $group->id, 'customer_id' => $id], $in)
        );

        return array_values([...array_diff($in, $were), ...array_diff($were, $in)]);
    }
}
