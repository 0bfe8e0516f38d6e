<?php

declare(strict_types=1);

namespace App\Customers;

use App\Support\Refused;

/**
 * An action on customers that is not possible as things stand, said to the person who tried it.
 */
final class CustomersRefused extends Refused
{
    public static function sameCustomer(): self
    {
        return new self('same_customer', 'That is the same customer. Choose another one to merge with.');
    }

    public static function mergedAlready(string $name): self
    {
        return new self('merged_already', "{$name} has been merged into another customer already.");
    }

    public static function undoneAlready(): self
    {
        return new self('undone_already', 'This merge has been undone already.');
    }

    public static function mergedSince(): self
    {
        return new self('merged_since', 'Since then the customer was merged once more. Undo the later merge first.');
    }

    public static function handleTaken(string $shown, string $name): self
    {
        return new self('handle_taken', "{$shown} belongs to {$name}. If they are one person, merge the two.");
    }

    public static function noTelephone(string $written): self
    {
        return new self(
            'no_telephone',
            "{$written} is no telephone number that could be called. Write it with the country code, like +45 20 00 01 88."
        );
    }
}
