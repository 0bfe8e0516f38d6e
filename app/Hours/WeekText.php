<?php

declare(strict_types=1);

namespace App\Hours;

use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\HoursRefused;
use Illuminate\Validation\ValidationException;

/**
 * Hours as people write them: `09:00–12:30, 13:30–17:00` for a day, nothing where it is closed.
 */
final class WeekText
{
    public const DAYS = ['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday',
        'sat' => 'Saturday', 'sun' => 'Sunday'];

    public const LONGEST = 200;

    private const SPAN = '/^(\d{1,2})(?:[:.h](\d\d))?\s*(?:[–—-]|to)\s*(\d{1,2})(?:[:.h](\d\d))?$/u';

    /**
     * @param  list<array{string, string}>  $spans
     */
    public static function written(array $spans): string
    {
        return implode(', ', array_map(static fn (array $span): string => implode('–', $span), $spans));
    }

    /**
     * @param  array<array-key, mixed>  $written  by day
     * @param  string  $field  of the form, by whose days faults are told
     * @return array<string, list<array{string, string}>>
     *
     * @throws ValidationException
     */
    public static function week(array $written, string $field): array
    {
        $week = [];
        foreach (self::DAYS as $day => $label) {
            $spans = self::day(is_string($written[$day] ?? null) ? $written[$day] : '', "{$field}.{$day}", $label);
            if ($spans !== []) {
                $week[$day] = $spans;
            }
        }

        return $week;
    }

    /**
     * @param  string  $field  by which a fault is told
     * @return list<array{string, string}>
     *
     * @throws ValidationException
     */
    public static function day(string $written, string $field, string $label): array
    {
        $refuse = static fn (string $why): ValidationException => ValidationException::withMessages([$field => "{$label}: {$why}"]);
        $spans = [];
        foreach (preg_split('/\s*[,;]\s*/', trim($written), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $span) {
            if (preg_match(self::SPAN, $span, $parts) !== 1) {
                throw $refuse('write “'.mb_strimwidth($span, 0, 40, '…').'” as 09:00–17:00, with commas between several.');
            }
            [$from, $to] = [
                sprintf('%02d:%s', (int) $parts[1], $parts[2] === '' ? '00' : $parts[2]),
                sprintf('%02d:%s', (int) $parts[3], $parts[4] ?? '00'),
            ];
            if ($to <= $from) {
                throw $refuse($to === '00:00'
                    ? "write the end of the day as 24:00: {$from}–24:00."
                    : "{$from}–{$to} goes over midnight or ends before it begins. Write {$from}–24:00, and the rest on the next day.");
            }
            $spans[] = [$from, $to];
        }
        sort($spans);
        foreach ($spans as $index => [$from, $to]) {
            if ($index > 0 && $from < $spans[$index - 1][1]) {
                throw $refuse(implode('–', $spans[$index - 1])." and {$from}–{$to} overlap. Make them one, or let one begin later.");
            }
        }
        try {
            Calendar::read((object) ['timezone' => 'UTC', 'week' => (object) ['mon' => $spans]]);
        } catch (HoursRefused) {
            throw $refuse('a time is from 00:00 to 24:00.');
        }

        return $spans;
    }
}
