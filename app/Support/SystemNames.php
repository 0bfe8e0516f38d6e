<?php

declare(strict_types=1);

namespace App\Support;

/**
 * As this machine looks names up: its own list of hosts, then the domain name system.
 */
final class SystemNames implements NameService
{
    public function addressesOf(string $name): array
    {
        $four = $name === '' ? false : gethostbynamel($name);
        $six = $name === '' || ! str_contains($name, '.') ? false : @dns_get_record($name, DNS_AAAA);
        $found = [...($four === false ? [] : $four), ...array_column($six === false ? [] : $six, 'ipv6')];

        return array_values(array_unique(array_filter($found, is_string(...))));
    }
}
