<?php

declare(strict_types=1);

namespace Cairnfield\Core\SignIn;

/**
 * Bytes in capital letters and digits that can be typed (RFC 4648, 6), without padding.
 */
final class Base32
{
    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    public static function encode(string $bytes): string
    {
        $written = '';
        $bits = '';
        foreach ($bytes === '' ? [] : str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }
        foreach ($bits === '' ? [] : str_split($bits, 5) as $five) {
            $written .= self::ALPHABET[(int) bindec(str_pad($five, 5, '0'))];
        }

        return $written;
    }

    /**
     * @param  string  $written  small letters, spaces and padding are allowed
     * @return string|null null where there is anything else in it
     */
    public static function decode(string $written): ?string
    {
        $plain = rtrim(strtoupper((string) preg_replace('/\s+/', '', $written)), '=');
        if (preg_match('/^[A-Z2-7]*$/D', $plain) !== 1) {
            return null;
        }
        $bits = '';
        foreach ($plain === '' ? [] : str_split($plain) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::ALPHABET, $letter)), 5, '0', STR_PAD_LEFT);
        }
        $bytes = '';
        foreach ($bits === '' ? [] : str_split($bits, 8) as $eight) {
            // What is left over at the end only fills up.
            $bytes .= strlen($eight) === 8 ? chr((int) bindec($eight)) : '';
        }

        return $bytes;
    }
}
