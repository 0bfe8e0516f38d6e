<?php

declare(strict_types=1);

namespace App\Support;

/**
 * An address leads into the network that this installation runs in.
 */
final class HostIsInside extends Refused implements HostRefused
{
    public static function named(string $host): self
    {
        return new self(
            'host_is_inside',
            "“{$host}” is inside your own network, where nothing is sent unless an administrator allows that very name."
        );
    }
}
