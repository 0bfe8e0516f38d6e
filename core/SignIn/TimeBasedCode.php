<?php

declare(strict_types=1);

namespace Cairnfield\Core\SignIn;

/**
 * A code that changes every half a minute (TOTP, RFC 6238, with HMAC-SHA-1 as the common programs have it; the code itself is
 * that of RFC 4226, 5.3).
 */
final readonly class TimeBasedCode
{
    /** Seconds that a code is shown for. */
    public const STEP = 30;

    /** How many steps a clock may be off, before and behind (RFC 6238, 5.2). */
    private const DRIFT = 1;

    /**
     * @param  string  $secret  bytes; 20 of them are as many as the hash has
     * @param  int  $digits  6 to 8
     */
    public function __construct(private string $secret, private int $digits = 6) {}

    /**
     * @param  int  $time  seconds since 1970
     */
    public function at(int $time): string
    {
        return $this->ofStep(intdiv($time, self::STEP));
    }

    /**
     * Each step can be used once, and none before it any more (RFC 6238, 5.2).
     *
     * @param  string  $code  as it was typed; spaces in it are allowed
     * @param  int  $time  seconds since 1970
     * @param  int|null  $lastStep  the step that was used last
     * @return int|null the step whose code it is; null where it is wrong, or used
     */
    public function accepts(string $code, int $time, ?int $lastStep): ?int
    {
        $typed = (string) preg_replace('/\s+/', '', $code);
        $now = intdiv($time, self::STEP);
        $found = null;
        for ($step = $now - self::DRIFT; $step <= $now + self::DRIFT; $step++) {
            // All are looked at, so that the time it takes says nothing.
            $fits = hash_equals($this->ofStep($step), $typed) && ($lastStep === null || $step > $lastStep);
            $found = $fits && $found === null ? $step : $found;
        }

        return $found;
    }

    private function ofStep(int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, true);
        $offset = ord($hash[19]) & 0x0F;
        /** @var array{1: int} $part */
        $part = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($part[1] & 0x7FFFFFFF) % (10 ** $this->digits)), $this->digits, '0', STR_PAD_LEFT);
    }
}
