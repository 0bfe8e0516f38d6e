<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * A number in an address of ours that nobody else can make up: a letter that says what of, the number and a signature, as the
 * detail after the plus (subaddressing, RFC 5233): `care+c1042.k7m2…@store.example`. The signature is the first 80 bits of
 * HMAC-SHA-256 over purpose and number, in lower-case base 32, since some mail systems change the case of the local part.
 */
final readonly class SignedDetail
{
    private const ALPHABET = 'abcdefghijklmnopqrstuvwxyz234567';

    /**
     * @param  string  $letter  one lower-case letter
     * @param  string  $purpose  signed together with the number, so that one kind cannot be used as another
     */
    public function __construct(private string $letter, private string $purpose) {}

    /**
     * @param  string  $address  the account's own address, without a detail
     * @param  int  $number  from 0 to 999,999,999,999
     */
    public function addTo(string $address, int $number, string $secret): string
    {
        $at = (int) strrpos($address, '@');

        return substr($address, 0, $at).'+'.$this->letter.$number.'.'.$this->signature($number, $secret).substr($address, $at);
    }

    /**
     * @return int|null the number; null where there is no such detail or its signature is wrong
     */
    public function read(string $address, string $secret): ?int
    {
        $local = strstr(strtolower(trim($address)), '@', true);
        $plus = $local === false ? false : strpos($local, '+');
        $detail = "/^{$this->letter}(\\d{1,12})\\.([a-z2-7]{16})$/D";
        if ($local === false || $plus === false || preg_match($detail, substr($local, $plus + 1), $part) !== 1) {
            return null;
        }
        $number = (int) $part[1];

        return hash_equals($this->signature($number, $secret), $part[2]) ? $number : null;
    }

    private function signature(int $number, string $secret): string
    {
        $bits = '';
        foreach (str_split(substr(hash_hmac('sha256', "{$this->purpose}:{$number}", $secret, true), 0, 10)) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn (string $five): string => self::ALPHABET[(int) bindec($five)],
            str_split($bits, 5),
        ));
    }
}
