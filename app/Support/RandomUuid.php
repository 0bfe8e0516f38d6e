<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A random UUID (RFC 9562, version 4), such as each form is sent with. Made here since a library of UUIDs has forty files to load,
 * on every page.
 */
final class RandomUuid
{
    public static function make(): string
    {
        $bytes = random_bytes(16);
        $bytes[6] = chr((ord($bytes[6]) & 0x0F) | 0x40);
        $bytes[8] = chr((ord($bytes[8]) & 0x3F) | 0x80);
        $digits = bin2hex($bytes);

        return implode('-', [
            substr($digits, 0, 8), substr($digits, 8, 4), substr($digits, 12, 4), substr($digits, 16, 4), substr($digits, 20),
        ]);
    }
}
