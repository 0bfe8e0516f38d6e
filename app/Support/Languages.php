<?php

declare(strict_types=1);

namespace App\Support;

use Locale;

/**
 * The languages that people choose from: those that the core can tell apart, which are those that customers of a
 * European store write in, and some from elsewhere.
 */
final class Languages
{
    /** ISO 639-1; the first ones are those that most conversations are in. */
    private const CODES = [
        'en', 'da', 'de', 'sv', 'nb', 'nl', 'fr', 'es', 'pt', 'it', 'fi', 'pl', 'lv', 'lt', 'et', 'cs', 'sk', 'hu', 'ro', 'sl',
        'hr', 'el', 'bg', 'tr', 'uk', 'ru', 'sr', 'ar', 'fa', 'ur', 'he', 'hi', 'mr', 'hy', 'ka', 'th', 'ja', 'ko', 'zh',
    ];

    /**
     * @return array<string, string> by code, its name in English
     */
    public static function all(): array
    {
        return array_combine(self::CODES, array_map(self::name(...), self::CODES));
    }

    public static function name(string $code): string
    {
        return (string) Locale::getDisplayLanguage($code, 'en');
    }

    public static function has(string $code): bool
    {
        return in_array($code, self::CODES, true);
    }
}
