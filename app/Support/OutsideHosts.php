<?php

declare(strict_types=1);

namespace App\Support;

use GuzzleHttp\Psr7\Exception\MalformedUriException;
use GuzzleHttp\Psr7\Uri;
use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Where we may be sent by an address that somebody has written into a setting: outside. A name is looked up, and each address that it
 * has is compared with the ranges that lead inside (this machine, private networks, links, other use than the public internet: RFC
 * 6890 and the registries it began), unless an administrator has allowed that very name.
 */
final readonly class OutsideHosts
{
    /** The setting's name: hosts inside that may be used, in small letters. */
    public const ALLOWED = 'outgoing.inside_hosts';

    private const INSIDE = [
        '0.0.0.0/8', '10.0.0.0/8', '100.64.0.0/10', '127.0.0.0/8', '169.254.0.0/16', '172.16.0.0/12', '192.0.0.0/24', '192.0.2.0/24',
        '192.88.99.0/24', '192.168.0.0/16', '198.18.0.0/15', '198.51.100.0/24', '203.0.113.0/24', '224.0.0.0/4', '240.0.0.0/4',
        // Of version 6 also those in which an address of version 4 is hidden.
        '::/96', '::ffff:0:0/96', '64:ff9b::/96', '64:ff9b:1::/48', '100::/64', '2001::/23', '2001:db8::/32', '2002::/16', 'fc00::/7',
        'fe80::/10', 'fec0::/10', 'ff00::/8',
    ];

    public function __construct(private StoreSettings $settings, private NameService $names) {}

    /**
     * @param  string  $host  a name, or an address with or without brackets
     * @return non-empty-list<string> the addresses that it may be reached at
     *
     * @throws HostIsInside|HostIsUnknown
     */
    public function addressesOf(string $host): array
    {
        $host = self::key($host);
        $addresses = filter_var($host, FILTER_VALIDATE_IP) !== false ? [$host] : $this->names->addressesOf($host);
        if ($addresses === []) {
            throw HostIsUnknown::named($host);
        }
        if (! in_array($host, $this->allowed(), true)) {
            foreach ($addresses as $address) {
                if (IpUtils::checkIp($address, self::INSIDE)) {
                    throw HostIsInside::named($host);
                }
            }
        }

        return $addresses;
    }

    /**
     * For a request over HTTP: it goes to the addresses that were looked at, whatever the name is said to mean a moment later.
     *
     * @return array<string, mixed> options of the client
     *
     * @throws HostIsInside|HostIsUnknown
     */
    public function optionsFor(string $url): array
    {
        // As the client itself reads it.
        try {
            $read = new Uri($url);
        } catch (MalformedUriException) {
            throw HostIsUnknown::named($url);
        }
        $host = $read->getHost();
        $port = $read->getPort() ?? ($read->getScheme() === 'https' ? 443 : 80);
        $addresses = $this->addressesOf($host);

        return self::key($host) === $addresses[0] ? [] : ['curl' => [CURLOPT_RESOLVE => [
            "{$host}:{$port}:".implode(',', array_map(
                static fn (string $address): string => str_contains($address, ':') ? "[{$address}]" : $address, $addresses
            )),
        ]]];
    }

    public function allow(string $host): void
    {
        $host = self::key($host);
        if ($host !== '' && ! in_array($host, $this->allowed(), true)) {
            $this->settings->put(self::ALLOWED, [...$this->allowed(), $host]);
        }
    }

    public function forbid(string $host): void
    {
        $this->settings->put(self::ALLOWED, array_values(array_diff($this->allowed(), [self::key($host)])));
    }

    /**
     * @return list<string> those that administrators have allowed
     */
    public function allowed(): array
    {
        return array_values(array_filter((array) $this->settings->get(self::ALLOWED, []), is_string(...)));
    }

    private static function key(string $host): string
    {
        $host = rtrim(mb_strtolower(trim($host, " \t[]")), '.');
        // Letters that only look other than those of the name.
        $ascii = preg_match('/[^\x00-\x7F]/', $host) === 1 ? idn_to_ascii($host, IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46) : $host;

        return $ascii === false ? $host : $ascii;
    }
}
