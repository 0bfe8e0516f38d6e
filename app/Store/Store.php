<?php

declare(strict_types=1);

namespace App\Store;

use App\Support\StoreSettings;
use DateTimeZone;

/**
 * The store whose customers write in, as its administrators have said. Until they have, as `config/cairnfield.php` has it.
 */
final readonly class Store
{
    /** The setting's name. */
    public const SETTING = 'store';

    /**
     * @param  string  $country  ISO 3166, where telephone numbers without a country code are from
     * @param  string  $language  ISO 639-1, in which it answers where a customer's language is not known
     * @param  list<string>  $languages  in which it answers, that one first
     * @param  string  $currency  ISO 4217
     * @param  string  $imprint  whose papers these are: address and tax number, in lines
     * @param  string  $timeZone  IANA, in which its days begin and end
     */
    private function __construct(
        public string $name,
        public string $country,
        public string $language,
        public array $languages,
        public string $currency,
        public string $timeZone,
        public string $imprint,
    ) {}

    public static function current(): self
    {
        $said = app(StoreSettings::class)->get(self::SETTING);
        $usual = (array) config('cairnfield.store');
        $said = is_array($said) ? $said : [];
        $language = (string) ($said['language'] ?? $usual['language']);

        return new self(
            (string) ($said['name'] ?? $usual['name']),
            (string) ($said['country'] ?? $usual['country']),
            $language,
            array_values(array_unique([$language, ...(array) ($said['languages'] ?? [])])),
            (string) ($said['currency'] ?? 'EUR'),
            (string) ($said['time_zone'] ?? $usual['time_zone']),
            (string) ($said['imprint'] ?? ''),
        );
    }

    /**
     * Whether somebody has said what the store is.
     */
    public static function isSaid(): bool
    {
        return is_array(app(StoreSettings::class)->get(self::SETTING));
    }

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->timeZone);
    }
}
