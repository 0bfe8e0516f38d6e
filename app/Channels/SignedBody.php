<?php

declare(strict_types=1);

namespace App\Channels;

use Illuminate\Http\Request;

/**
 * Checks a request that its sender has signed: `<Sender>-Time` is the time of sending in seconds
 * since 1970, `<Sender>-Signature` the hexadecimal HMAC-SHA-256 of that time, a dot, and the body.
 */
final class SignedBody
{
    /** How far the time may be off, in seconds: what is older may be a replay. */
    private const TOLERANCE = 300;

    /**
     * @return string|null what is wrong, for whoever sent it; null where it is signed rightly
     */
    public static function problem(Request $request, string $sender, string $body, string $secret): ?string
    {
        $time = (string) $request->header("{$sender}-Time");
        $signature = strtolower((string) $request->header("{$sender}-Signature"));
        $isRecent = ctype_digit($time) && strlen($time) < 12 && abs(now()->getTimestamp() - (int) $time) <= self::TOLERANCE;

        return match (true) {
            $secret === '' => 'This account has no signing secret, so it takes nothing that is signed. An administrator makes one on '
                .'its page.',
            ! $isRecent => "{$sender}-Time is missing, or more than five minutes off. Check the clock of the sending machine.",
            ! hash_equals(
                hash_hmac('sha256', "{$time}.{$body}", $secret), $signature
            ) => "{$sender}-Signature does not fit the time and the body. Check the secret.",
            default => null,
        };
    }
}
