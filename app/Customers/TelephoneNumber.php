<?php

declare(strict_types=1);

namespace App\Customers;

use App\Store\Store;
use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberUtil;

/**
 * A telephone number by E.164, however it was written.
 */
final readonly class TelephoneNumber
{
    /**
     * @param  string  $national  its digits within its country, without the zero that is dialled there
     */
    private function __construct(public string $e164, public string $shown, public string $national) {}

    /**
     * @param  string|null  $country  two letters; the store's own where it is not known
     * @return self|null null where it is no number that could be called
     */
    public static function read(string $written, ?string $country = null): ?self
    {
        $numbers = PhoneNumberUtil::getInstance();
        try {
            $number = $numbers->parse(
                $written, $country !== null && $country !== '' ? $country : Store::current()->country
            );
        } catch (NumberParseException) {
            return null;
        }

        return $numbers->isPossibleNumber($number)
            ? new self(
                $numbers->format($number, PhoneNumberFormat::E164), $numbers->format($number, PhoneNumberFormat::INTERNATIONAL),
                $numbers->getNationalSignificantNumber($number)
            )
            : null;
    }
}
