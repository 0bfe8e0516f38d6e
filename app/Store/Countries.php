<?php

declare(strict_types=1);

namespace App\Store;

use Collator;
use Locale;
use ResourceBundle;

/**
 * Countries as people choose from them: ISO 3166 codes with their names in English, as the ICU library has them.
 */
final class Countries
{
    /** What ICU lists beside countries: groups of them, and what is reserved. */
    private const NO_COUNTRIES = ['EU', 'EZ', 'UN', 'XA', 'XB', 'XK', 'ZZ', 'QO'];

    /**
     * @return array<string, string>
     */
    public static function all(): array
    {
        return once(static function (): array {
            $names = [];
            foreach (ResourceBundle::create('en', 'ICUDATA-region')?->get('Countries') ?? [] as $code => $name) {
                if (preg_match('/^[A-Z]{2}$/D', (string) $code) === 1 && ! in_array($code, self::NO_COUNTRIES, true)) {
                    $names[(string) $code] = (string) $name;
                }
            }
            (new Collator('en'))->asort($names);

            return $names;
        });
    }

    /**
     * The one that a browser's languages speak of, where they do.
     */
    public static function guess(?string $acceptLanguage): ?string
    {
        $locale = $acceptLanguage === null ? false : Locale::acceptFromHttp($acceptLanguage);
        $country = $locale === false ? '' : (string) Locale::getRegion($locale);

        return isset(self::all()[$country]) ? $country : null;
    }
}
