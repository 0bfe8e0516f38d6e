<?php

declare(strict_types=1);

namespace App\Store;

use App\Hours\SaveCalendar;
use App\Hours\WeekText;
use App\Hours\WorkCalendar;
use App\Orders\KnownCurrency;
use App\Support\Languages;
use App\Support\StoreSettings;
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
    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, list<array{string, string}>>|null  $week  where the form asks for hours, too
     */
    private function __construct(private array $values, private ?array $week) {}

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
            'imprint' => ['nullable', 'string', 'max:500'],
            'hours' => ['array:'.implode(',', array_keys(WeekText::DAYS))],
            'hours.*' => ['nullable', 'string', 'max:'.WeekText::LONGEST],
        ]);
        $week = isset($given['hours']) ? WeekText::week($given['hours'], 'hours') : null;
        if ($week === []) {
            throw ValidationException::withMessages(['hours.mon' => 'Say at least one day on which somebody answers.']);
        }

        return new self([
            'name' => trim($given['name']),
            'country' => $given['country'],
            'language' => $given['language'],
            'languages' => array_values(array_unique([$given['language'], ...($given['languages'] ?? [])])),
            'currency' => mb_strtoupper(trim($given['currency'])),
            'time_zone' => $given['time_zone'],
            'imprint' => trim($given['imprint'] ?? ''),
        ], $week);
    }

    public function save(StoreSettings $settings, SaveCalendar $calendars): void
    {
        $settings->put(Store::SETTING, $this->values);
        if ($this->week !== null) {
            $main = WorkCalendar::query()->where('is_main', true)->first();
            $saved = $calendars->save($main, [
                'name' => $main->name ?? (string) $this->values['name'], 'time_zone' => (string) $this->values['time_zone'],
                'week' => $this->week,
            ], null);
            $saved->is_main ?: $calendars->makeMain($saved);
        }
    }
}
