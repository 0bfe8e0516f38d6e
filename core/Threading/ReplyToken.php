<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * The signed detail in our Reply-To addresses: `care+c1042.k7m2…@store.example` (subaddressing,
 * RFC 5233). The signature is the first 80 bits of HMAC-SHA-256 over the number, in lower-case
 * base 32, since some mail systems change the case of the local part.
 */
final class ReplyToken
{
    private const ALPHABET = 'abcdefghijklmnopqrstuvwxyz234567';

    private const DETAIL = '/^c(\d{1,12})\.([a-z2-7]{16})$/D';

    /**
     * @param  string  $address  the account's own address, without a detail
     */
    public static function addTo(string $address, int $number, string $secret): string
    {
        $at = (int) strrpos($address, '@');

        return substr($address, 0, $at).'+c'.$number.'.'.self::signature($number, $secret).substr($address, $at);
    }

    /**
     * @return int|null the conversation's number; null where there is no token or its signature is wrong
     */
    public static function read(string $address, string $secret): ?int
    {
        $local = strstr(strtolower(trim($address)), '@', true);
        $plus = $local === false ? false : strpos($local, '+');
        if ($local === false || $plus === false || preg_match(self::DETAIL, substr($local, $plus + 1), $part) !== 1) {
            return null;
        }
        $number = (int) $part[1];

        return hash_equals(self::signature($number, $secret), $part[2]) ? $number : null;
    }

    /**
     * The address without its detail: `care@store.example`.
     */
    public static function withoutDetail(string $address): string
    {
        return (string) preg_replace('/\+[^@]*(?=@)/', '', $address, 1);
    }

    private static function signature(int $number, string $secret): string
    {
        $bits = '';
        foreach (str_split(substr(hash_hmac('sha256', "reply-to:{$number}", $secret, true), 0, 10)) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn (string $five): string => self::ALPHABET[(int) bindec($five)],
            str_split($bits, 5),
        ));
    }
}
