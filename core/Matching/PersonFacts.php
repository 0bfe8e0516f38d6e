<?php

declare(strict_types=1);

namespace Cairnfield\Core\Matching;

/**
 * What is known of a customer, as far as it tells them from others.
 */
final readonly class PersonFacts
{
    /**
     * @param  list<string>  $emails
     * @param  list<string>  $telephones  E.164
     * @param  list<string>  $accountNames  as the networks write them, without the network
     * @param  list<string>  $addresses  postal addresses, each on one line
     * @param  list<string>  $orders  numbers of orders that are theirs
     * @param  list<string>  $ordersNamed  numbers of orders that they wrote about
     */
    public function __construct(
        public string $name,
        public array $emails = [],
        public array $telephones = [],
        public array $accountNames = [],
        public array $addresses = [],
        public array $orders = [],
        public array $ordersNamed = [],
    ) {}
}
