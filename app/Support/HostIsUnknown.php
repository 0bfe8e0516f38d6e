<?php

declare(strict_types=1);

namespace App\Support;

/**
 * Nobody knows the name. What is asked for it all the same might know it after all, and in another way than we do.
 */
final class HostIsUnknown extends Refused implements HostRefused
{
    public static function named(string $host): self
    {
        return new self('host_is_unknown', "No address can be found for “{$host}”. Check how it is written, and the name service.");
    }
}
