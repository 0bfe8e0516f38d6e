<?php

declare(strict_types=1);

namespace App\Store;

use App\Orders\KnownCurrency;
use App\Support\Languages;
use App\Support\StoreSettings;
use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Hours\HoursRefused;
use Closure;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * What somebody has said of the store, checked.
 */
final readonly class StoreToSave
{
    public const DAYS = ['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday',
        'sat' => 'Saturday', 'sun' => 'Sunday'];

    /**
     * @param  array<string, mixed>  $values
     */
    private function __construct(private array $values) {}

    /**
     * @throws ValidationException
     */
    public static function of(Request $request): self
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'country' => ['required', Rule::in(array_keys(Countries::all()))],
            'language' => ['required', Rule::in(array_keys(Languages::all()))],
            'languages' => ['array', 'max:40'],
            'languages.*' => [Rule::in(array_keys(Languages::all()))],
            'currency' => ['required', 'string', static function (string $field, mixed $value, Closure $fail): void {
                is_string($value) && KnownCurrency::is(mb_strtoupper(trim($value)))
                    || $fail('Write the currency as its three letters (ISO 4217), such as EUR.');
            }],
            'time_zone' => ['required', Rule::in(DateTimeZone::listIdentifiers())],
            'hours' => ['array:'.implode(',', array_keys(self::DAYS))],
            'hours.*' => ['nullable', 'string', 'max:100'],
        ]);
        $week = self::week((array) ($given['hours'] ?? []), $given['time_zone']);

        return new self([
            'name' => trim($given['name']),
            'country' => $given['country'],
            'language' => $given['language'],
            'languages' => array_values(array_unique([$given['language'], ...($given['languages'] ?? [])])),
            'currency' => mb_strtoupper(trim($given['currency'])),
            'time_zone' => $given['time_zone'],
            'week' => $week,
        ]);
    }

    public function save(StoreSettings $settings): void
    {
        // What is not on the form stays: the days that are other than the week, but for a store that is new.
        $exceptions = BeginLink::isNeeded() ? [] : Store::current()->exceptions;
        $settings->put(Store::SETTING, ['exceptions' => $exceptions, ...$this->values]);
    }

    /**
     * How the hours of a day are written: `09:00–12:00, 13:00–17:00`; empty where it is closed.
     *
     * @param  list<array{string, string}>  $spans
     */
    public static function written(array $spans): string
    {
        return implode(', ', array_map(static fn (array $span): string => implode('–', $span), $spans));
    }

    /**
     * @param  array<string, string|null>  $written  by day
     * @return array<string, list<array{string, string}>>
     *
     * @throws ValidationException
     */
    private static function week(array $written, string $zone): array
    {
        $week = [];
        foreach (array_keys(self::DAYS) as $day) {
            $spans = [];
            foreach (preg_split('/\s*[,;]\s*/', trim((string) ($written[$day] ?? '')), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $span) {
                if (preg_match('/^(\d{1,2})(?:[:.](\d\d))?\s*[–—-]\s*(\d{1,2})(?:[:.](\d\d))?$/u', $span, $parts) !== 1) {
                    throw ValidationException::withMessages(["hours.{$day}" => self::DAYS[$day].": write “{$span}” as 09:00–17:00."]);
                }
                $spans[] = [
                    sprintf('%02d:%s', (int) $parts[1], $parts[2] === '' ? '00' : $parts[2]),
                    sprintf('%02d:%s', (int) $parts[3], $parts[4] ?? '00'),
                ];
            }
            if ($spans !== []) {
                $week[$day] = $spans;
                self::refuseUnlessRead([$day => $spans], $zone, $day);
            }
        }
        if ($week === []) {
            throw ValidationException::withMessages(['hours.mon' => 'Say at least one day on which somebody answers.']);
        }

        return $week;
    }

    /**
     * @param  array<string, list<array{string, string}>>  $week
     */
    private static function refuseUnlessRead(array $week, string $zone, string $day): void
    {
        try {
            Calendar::read(json_decode((string) json_encode(['timezone' => $zone, 'week' => $week, 'exceptions' => []])));
        } catch (HoursRefused $why) {
            throw ValidationException::withMessages(["hours.{$day}" => self::DAYS[$day].': '.$why->getMessage()]);
        }
    }
}
