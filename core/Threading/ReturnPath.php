<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * The number of a message in the envelope address it is sent from (a variable envelope return path): `care+m88.q3a7…@store.example`.
 * Reports and automatic answers go there (RFC 5321, 4.4 and RFC 3834, 4), also those that name nothing of the message itself.
 */
final class ReturnPath
{
    /**
     * @param  string  $address  the account's own address, without a detail
     */
    public static function addTo(string $address, int $message, string $secret): string
    {
        return self::detail()->addTo($address, $message, $secret);
    }

    /**
     * @return int|null the message's number; null where there is none or its signature is wrong
     */
    public static function read(string $address, string $secret): ?int
    {
        return self::detail()->read($address, $secret);
    }

    private static function detail(): SignedDetail
    {
        return new SignedDetail('m', 'return-path');
    }
}
