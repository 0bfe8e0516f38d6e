<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * The conversation's number in our Reply-To addresses: `care+c1042.k7m2…@store.example`.
 */
final class ReplyToken
{
    /**
     * @param  string  $address  the account's own address, without a detail
     */
    public static function addTo(string $address, int $number, string $secret): string
    {
        return self::detail()->addTo($address, $number, $secret);
    }

    /**
     * @return int|null the conversation's number; null where there is no token or its signature is wrong
     */
    public static function read(string $address, string $secret): ?int
    {
        return self::detail()->read($address, $secret);
    }

    /**
     * The address without its detail: `care@store.example`.
     */
    public static function withoutDetail(string $address): string
    {
        return (string) preg_replace('/\+[^@]*(?=@)/', '', $address, 1);
    }

    private static function detail(): SignedDetail
    {
        return new SignedDetail('c', 'reply-to');
    }
}
