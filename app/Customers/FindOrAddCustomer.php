<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\SenderHandle;

/**
 * The customer a handle belongs to; a new one where nobody has it yet.
 */
final class FindOrAddCustomer
{
    public function byHandle(SenderHandle $sender): Customer
    {
        $known = $sender->isKnown() ? $this->known($sender) : null;
        if ($known !== null) {
            $this->learnName($known, $sender);

            return $known;
        }
        $customer = Customer::query()->create(['name' => mb_substr($sender->displayName(), 0, 200)]);
        if (! $sender->isKnown()) {
            return $customer;
        }
        $handle = Handle::query()->createOrFirst(
            ['kind' => $sender->kind, 'value' => $sender->value],
            ['customer_id' => $customer->id, 'shown' => $sender->shown],
        );
        if ($handle->customer_id !== $customer->id) {
            // Somebody else added the handle at the same moment: theirs stands.
            $customer->delete();

            return Customer::query()->findOrFail($handle->customer_id);
        }

        return $customer;
    }

    private function known(SenderHandle $sender): ?Customer
    {
        return Customer::query()
            ->whereHas('handles', fn ($handles) => $handles->where('kind', $sender->kind)->where('value', $sender->value))
            ->first();
    }

    /**
     * A customer known only by the address gets the name that comes with a later message.
     */
    private function learnName(Customer $customer, SenderHandle $sender): void
    {
        if ($sender->name !== '' && $customer->name === $sender->shown) {
            $customer->update(['name' => mb_substr($sender->name, 0, 200)]);
        }
    }
}
