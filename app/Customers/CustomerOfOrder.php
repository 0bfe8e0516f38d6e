<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\SenderHandle;

/**
 * The customer who placed an order: by the address it was ordered with, or the marketplace's name.
 */
final readonly class CustomerOfOrder
{
    public function __construct(private FindOrAddCustomer $customers) {}

    /**
     * @param  SenderHandle|null  $marketplace  who the buyer is on the marketplace that sold it
     * @return Customer|null null where the order says neither
     */
    public function find(string $name, ?string $email, ?string $telephone, string $country, ?SenderHandle $marketplace): ?Customer
    {
        $handle = match (true) {
            $email !== null && str_contains($email, '@') => SenderHandle::email($email, $name),
            $marketplace !== null => $marketplace,
            default => null,
        };
        if ($handle === null) {
            return null;
        }
        $customer = $this->customers->byHandle($handle);
        $number = $telephone === null ? null : TelephoneNumber::read($telephone, $country);
        if ($number !== null) {
            $this->customers->addHandle($customer, SenderHandle::telephone($number->e164, $number->shown), 'given with an order');
        }
        if ($marketplace !== null) {
            $this->customers->addHandle($customer, $marketplace, 'bought there');
        }

        return $customer;
    }
}
