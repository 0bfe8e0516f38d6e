<?php

declare(strict_types=1);

namespace App\Customers;

use App\Orders\OrderNumbers;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/**
 * Finds customers by how their name, an address or an account name begins, by a telephone number or
 * by an order's number.
 */
final readonly class FindCustomers
{
    public function __construct(private OrderNumbers $numbers) {}

    /**
     * @return Builder<Customer>
     */
    public function query(string $find): Builder
    {
        $beginning = addcslashes($find, '%_\\').'%';
        $telephone = preg_match('/^[+\d][\d\s()\/.-]{5,}$/', $find) === 1 ? TelephoneNumber::read($find)?->e164 : null;

        $keys = $this->numbers->keysOf($find);

        return Customer::query()
            ->whereNull('merged_into_id')
            ->when($find !== '', fn ($customers) => $customers->where(fn ($any) => $any
                ->where('name', 'like', $beginning)
                ->orWhere('name', 'like', '% '.$beginning)
                ->orWhereHas(
                    'handles',
                    fn ($handles) => $handles->where('value', 'like', mb_strtolower($beginning))
                        ->orWhere('value', 'like', '@'.mb_strtolower($beginning))
                        ->orWhere('value', $telephone ?? $find)
                )
                ->orWhereHas('company', fn ($companies) => $companies->where('name_folded', 'like', Folding::fold($find) === ''
                    ? '' : addcslashes(Folding::fold($find), '%_\\').'%'))
                ->orWhereHas(
                    'orders',
                    fn ($orders) => $orders->whereIn('number_key', $keys)->orWhereIn('marketplace_key', $keys)
                )))
            ->orderBy('name')
            ->orderBy('id');
    }

    /**
     * @return Collection<int, Customer>
     */
    public function beginning(string $find, int $most): Collection
    {
        return $this->query($find)->with('handles')->withCount('orders')->limit($most)->get();
    }
}
