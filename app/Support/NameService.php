<?php

declare(strict_types=1);

namespace App\Support;

/**
 * What a name stands for in the network.
 */
interface NameService
{
    /**
     * @return list<string> addresses of both versions; none where nobody knows the name
     */
    public function addressesOf(string $name): array;
}
