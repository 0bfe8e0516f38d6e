<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Money\Money;
use DateTimeImmutable;
use DateTimeZone;
use IntlDateFormatter;
use IntlDatePatternGenerator;
use NumberFormatter;
use ResourceBundle;

/**
 * Writes values the way a language does: dates with the month's name, amounts with their currency (Unicode CLDR).
 */
final class Wording
{
    private const LARGEST_DRAWN = 1_000_000_000_000_000;

    /** @var array<string, IntlDateFormatter> by pattern */
    private array $formatters = [];

    /**
     * @param  string  $language  as BCP 47 has it, such as `da` or `pt-BR`
     * @param  DateTimeZone  $zone  in which moments are written
     * @param  string|null  $region  ISO 3166, whose habits of writing dates are followed where the language is
     *                               written in many: 11 November in Europe, November 11 in the United States
     */
    public function __construct(
        public readonly string $language, private readonly DateTimeZone $zone, private readonly ?string $region = null
    ) {}

    public function of(string|int|bool|Money|Day|DateTimeImmutable|Withheld|null $value): string
    {
        return match (true) {
            $value === null, $value === false, $value instanceof Withheld => '',
            $value === true => $this->yes(),
            is_string($value) => trim($value),
            is_int($value) => (string) (new NumberFormatter($this->language, NumberFormatter::DECIMAL))->format($value),
            $value instanceof Money => $this->amount($value),
            $value instanceof Day => $this->written($value->midnight, 'yMMMMd', new DateTimeZone('UTC')),
            default => $this->written($value, 'yMMMMdjm', $this->zone),
        };
    }

    private function amount(Money $money): string
    {
        // Up to here a double holds every unit; it is only drawn, never reckoned with.
        if ($money->units->abs()->isGreaterThan(self::LARGEST_DRAWN)) {
            return "{$money->toDecimal()} {$money->currency->code}";
        }
        $formatter = new NumberFormatter($this->language, NumberFormatter::CURRENCY);
        $formatter->setTextAttribute(NumberFormatter::CURRENCY_CODE, $money->currency->code);
        $formatter->setAttribute(NumberFormatter::FRACTION_DIGITS, $money->currency->digits);

        return (string) $formatter->formatCurrency((float) $money->toDecimal(), $money->currency->code);
    }

    private function written(DateTimeImmutable $moment, string $parts, DateTimeZone $zone): string
    {
        $this->formatters[$parts] ??= new IntlDateFormatter(
            $this->dateLocale(),
            IntlDateFormatter::NONE,
            IntlDateFormatter::NONE,
            $zone,
            null,
            (string) (new IntlDatePatternGenerator($this->dateLocale()))->getBestPattern($parts),
        );

        return (string) $this->formatters[$parts]->format($moment);
    }

    /**
     * English that is not known for a region is that of the world, not of America.
     */
    private function dateLocale(): string
    {
        if ($this->region === null || preg_match('/[-_]/', $this->language) === 1) {
            return $this->language;
        }
        $locale = "{$this->language}_{$this->region}";

        return match (true) {
            in_array($locale, ResourceBundle::getLocales('') ?: [], true) => $locale,
            $this->language === 'en' => 'en_001',
            default => $this->language,
        };
    }

    private function yes(): string
    {
        return [
            'da' => 'ja', 'de' => 'ja', 'nl' => 'ja', 'sv' => 'ja', 'nb' => 'ja', 'lv' => 'jā', 'fr' => 'oui', 'es' => 'sí',
            'it' => 'sì', 'pt' => 'sim', 'pl' => 'tak', 'ja' => 'はい',
        ][strtok($this->language, '-_')] ?? 'yes';
    }
}
