<?php

declare(strict_types=1);

namespace App\Fields;

use Cairnfield\Core\Text\Folding;
use DateTimeImmutable;

/**
 * What can be written into a field of the store's own, and how it is kept: a text with its folded form,
 * or a number. A date is kept as the number 20261123, yes and no as 1 and 0.
 */
enum FieldKind: string
{
    case Text = 'text';
    case Number = 'number';
    case Date = 'date';
    case Choice = 'choice';
    case Choices = 'choices';
    case YesNo = 'yes_no';

    private const LONGEST = 500;

    public function label(): string
    {
        return match ($this) {
            self::Text => 'Text',
            self::Number => 'Number',
            self::Date => 'Date',
            self::Choice => 'One of several',
            self::Choices => 'Several of several',
            self::YesNo => 'Yes or no',
        };
    }

    public function hasChoices(): bool
    {
        return $this === self::Choice || $this === self::Choices;
    }

    public function isNumber(): bool
    {
        return $this === self::Number || $this === self::Date || $this === self::YesNo;
    }

    /**
     * What was written, as it is kept; nothing where nothing was written.
     *
     * @param  string|list<string>|null  $written
     * @param  list<string>  $choices
     * @return list<array{text: string|null, folded: string|null, number: string|null}>
     *
     * @throws FieldRefused when it does not fit
     */
    public function read(string|array|null $written, array $choices, string $name): array
    {
        $values = array_values(array_filter(array_map(trim(...), (array) $written), static fn (string $value): bool => $value !== ''));
        $kept = [];
        foreach ($this === self::Choices ? $values : array_slice($values, 0, 1) as $value) {
            $kept[] = match ($this) {
                self::Text => self::text(mb_strlen($value) <= self::LONGEST ? $value : throw FieldRefused::tooLong($name, self::LONGEST)),
                self::Number => self::number(self::decimal($value) ?? throw FieldRefused::noNumber($name, $value)),
                self::Date => self::number(self::date($value) ?? throw FieldRefused::noDate($name, $value)),
                self::Choice,
                self::Choices => self::text(self::choice($value, $choices) ?? throw FieldRefused::noChoice($name, $value, $choices)),
                self::YesNo => self::number(self::yesOrNo($value) ?? throw FieldRefused::noChoice($name, $value, ['yes', 'no'])),
            };
        }

        return $kept;
    }

    /**
     * A kept value as people read it, and as it can be written again.
     */
    public function show(?string $text, ?string $number): string
    {
        return match ($this) {
            self::Number => self::plain((string) $number),
            self::Date => (string) preg_replace('/^(\d{4})(\d\d)(\d\d)$/', '$1-$2-$3', self::plain((string) $number)),
            self::YesNo => (int) $number === 1 ? 'yes' : 'no',
            default => (string) $text,
        };
    }

    /**
     * @return array{text: string, folded: string, number: null}
     */
    private static function text(string $text): array
    {
        return ['text' => $text, 'folded' => mb_substr(Folding::fold($text), 0, 600), 'number' => null];
    }

    /**
     * @return array{text: null, folded: null, number: string}
     */
    private static function number(string $number): array
    {
        return ['text' => null, 'folded' => null, 'number' => $number];
    }

    private static function decimal(string $written): ?string
    {
        $written = str_replace([' ', "\u{00A0}"], '', str_replace(',', '.', $written));

        return preg_match('/^-?\d{1,15}(?:\.\d{1,6})?$/D', $written) === 1 ? self::plain($written) : null;
    }

    private static function date(string $written): ?string
    {
        $date = DateTimeImmutable::createFromFormat('!Y-m-d', $written);

        return $date !== false && $date->format('Y-m-d') === $written ? $date->format('Ymd') : null;
    }

    /**
     * @param  list<string>  $choices
     */
    private static function choice(string $written, array $choices): ?string
    {
        foreach ($choices as $choice) {
            if (Folding::fold($choice) === Folding::fold($written)) {
                return $choice;
            }
        }

        return null;
    }

    private static function yesOrNo(string $written): ?string
    {
        return match (Folding::fold($written)) {
            'yes', '1', 'true', 'on' => '1',
            'no', '0', 'false', 'off' => '0',
            default => null,
        };
    }

    private static function plain(string $number): string
    {
        return str_contains($number, '.') ? rtrim(rtrim($number, '0'), '.') : $number;
    }
}
