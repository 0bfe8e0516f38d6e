<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\SenderHandle;
use App\Companies\ProposeCompany;
use App\Orders\FoundOrders;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * The customer that a message or an order is from: by a handle that the shop, a marketplace or a person of the team has given,
 * else a new one. What somebody says of themselves (a name, an order's number, a street) attaches them to nobody: it is proposed,
 * and a person confirms.
 */
final readonly class FindOrAddCustomer
{
    public function __construct(private ProposeCompany $companies) {}

    /**
     * @param  bool  $lock  whether others who ask for the same person wait until this transaction is over
     */
    public function known(SenderHandle $sender, bool $lock = false): ?Customer
    {
        $id = ! $sender->isKnown() ? null : DB::table('handles')
            ->where('kind', $sender->kind)
            ->where('value', $sender->value)
            ->when($lock, static fn ($handles) => $handles->lockForUpdate())
            ->value('customer_id');

        return $id === null ? null : Customer::query()->find((int) $id);
    }

    public function byHandle(SenderHandle $sender): Customer
    {
        $known = $this->known($sender);
        if ($known !== null) {
            $this->learn($known, $sender, null);

            return $known;
        }

        return $this->add($sender);
    }

    /**
     * The sender of a message that may name orders.
     *
     * @param  Customer|null  $known  who has the handle, as `known` has found
     * @param  string|null  $language  that it is written in
     */
    public function bySender(SenderHandle $sender, ?Customer $known, FoundOrders $found, ?string $language): Customer
    {
        if ($known !== null) {
            $this->learn($known, $sender, $language);

            return $known;
        }
        foreach ($found->orders as $order) {
            $isAddress = $sender->kind === 'email' && $order->email !== null && mb_strtolower($order->email) === $sender->value;
            if ($isAddress && $order->customer_id !== null) {
                $customer = Customer::query()->findOrFail($order->customer_id);
                $this->addHandle($customer, $sender, "wrote about {$order->number} from the address it was ordered with");
                $this->learn($customer, $sender, $language);

                return $customer;
            }
        }

        return $this->add($sender, $language);
    }

    /**
     * Somebody who was found not to be who they say: a customer of their own, to whom the address does not belong.
     */
    public function unproven(SenderHandle $sender, ?string $language): Customer
    {
        return Customer::store(Customer::named(mb_substr($sender->displayName(), 0, 200)) + ['language' => $language]);
    }

    /**
     * A further handle of a customer. One that is somebody else's stays with them: then the two are
     * looked at as likely one person.
     */
    public function addHandle(Customer $customer, SenderHandle $sender, string $why): void
    {
        if (! $sender->isKnown()) {
            return;
        }
        $handle = Handle::query()->createOrFirst(
            ['kind' => $sender->kind, 'value' => $sender->value],
            ['customer_id' => $customer->id, 'shown' => mb_substr($sender->shown, 0, 320), 'why' => mb_substr($why, 0, 300)],
        );
        if ($handle->customer_id !== $customer->id) {
            FindDuplicates::dispatch($customer->id)->afterCommit();
        } elseif ($sender->kind === 'email') {
            $this->companies->byAddress($customer, $sender->value);
        }
    }

    private function add(SenderHandle $sender, ?string $language = null): Customer
    {
        $customer = Customer::store(Customer::named(mb_substr($sender->displayName(), 0, 200)) + ['language' => $language]);
        if (! $sender->isKnown()) {
            return $customer;
        }
        $added = DB::table('handles')->insertOrIgnore([
            'kind' => $sender->kind,
            'value' => mb_substr($sender->value, 0, 320),
            'customer_id' => $customer->id,
            'shown' => mb_substr($sender->shown, 0, 320),
            'created_at' => now(),
            'updated_at' => now(),
        ]);
        if ($added === 0) {
            // Somebody else added the handle at the same moment: theirs stands.
            $customer->delete();

            return $this->known($sender) ?? throw new RuntimeException("The handle {$sender->value} could not be stored.");
        }

        if ($sender->kind === 'email') {
            $this->companies->byAddress($customer, $sender->value);
        }

        return $customer;
    }

    /**
     * A customer known only by the address gets the name that comes with a later message, and one
     * without a language the one that they write in.
     */
    private function learn(Customer $customer, SenderHandle $sender, ?string $language): void
    {
        $new = array_filter([
            'name' => $sender->name !== '' && $customer->name === $sender->shown ? mb_substr($sender->name, 0, 200) : null,
            'language' => $customer->language === null ? $language : null,
        ]);
        if ($new !== []) {
            $customer->update($new);
        }
    }
}
