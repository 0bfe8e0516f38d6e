<?php

declare(strict_types=1);

namespace App\Hours;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * When who works: calendars with their weeks, and the days that are other than these.
 */
final readonly class HoursController
{
    private const ALL = '/hours';

    private const DATE = 'regex:/^\d{4}-\d\d-\d\d$/D';

    public function __construct(private SaveCalendar $save) {}

    public function index(): View
    {
        return view('hours.index', [
            'calendars' => WorkCalendar::query()->with('days')->orderByDesc('is_main')->orderBy('name')->get(),
            'now' => CarbonImmutable::now(),
        ]);
    }

    public function create(): View
    {
        return view('hours.calendar', ['calendar' => null, 'zones' => DateTimeZone::listIdentifiers()]);
    }

    public function show(WorkCalendar $calendar): View
    {
        $today = CarbonImmutable::now()->setTimezone($calendar->time_zone)->format('Y-m-d');
        $isOver = static fn (OtherDay $day): bool => $day->date->format('Y-m-d') < $today;

        return view('hours.calendar', [
            'calendar' => $calendar,
            'zones' => DateTimeZone::listIdentifiers(),
            'coming' => $calendar->days->reject($isOver)->sortBy('date'),
            'files' => $calendar->days->where('source', '!=', '')->countBy('source'),
            'past' => $calendar->days->filter($isOver)->count(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $calendar = $this->save->save(null, $this->values($request, null), null);

        return redirect(self::ALL."/{$calendar->id}")->with('done', "“{$calendar->name}” is there now.");
    }

    public function update(Request $request, WorkCalendar $calendar): RedirectResponse
    {
        $values = $this->values($request, $calendar);
        try {
            $this->save->save($calendar, $values, $request->integer('seen'));
        } catch (HoursNotSaved $why) {
            // The next press is meant as it stands.
            $request->merge(['seen' => (string) WorkCalendar::query()->whereKey($calendar->id)->value('version')]);

            throw $why;
        }

        return redirect(self::ALL."/{$calendar->id}")->with('done', "The hours of “{$values['name']}” are saved.");
    }

    public function putDay(Request $request, WorkCalendar $calendar): RedirectResponse
    {
        $given = $request->validate([
            'date' => ['bail', 'required', 'string', self::DATE, 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'until' => ['bail', 'nullable', 'string', self::DATE, 'date_format:Y-m-d', 'after_or_equal:date'],
            'open' => ['nullable', 'string', 'max:'.WeekText::LONGEST],
            'name' => ['nullable', 'string', 'max:120'],
        ], ['until.after_or_equal' => 'The last day is before the first.', 'date.*' => 'Choose the day.']);
        $open = WeekText::day((string) ($given['open'] ?? ''), 'open', 'Hours');
        $date = CarbonImmutable::parse($given['date']);
        $last = CarbonImmutable::parse($given['until'] ?? $given['date']);
        if ($date->diffInDays($last) > 92) {
            throw ValidationException::withMessages(['until' => 'At most three months at once.']);
        }
        for ($day = $date; $day <= $last; $day = $day->addDay()) {
            $this->save->putDay($calendar, $day, $open, trim((string) ($given['name'] ?? '')));
        }

        return redirect(self::ALL."/{$calendar->id}")->with('done', $date->format('l j F Y').(
            $date->equalTo($last) ? '' : $last->format(' \t\o l j F Y')
        ).($open === [] ? ' is closed.' : ' is open '.WeekText::written($open).'.'));
    }

    public function removeDays(Request $request, WorkCalendar $calendar): RedirectResponse
    {
        $given = $request->validate([
            'date' => ['bail', 'nullable', 'string', self::DATE, 'date_format:Y-m-d'], 'source' => ['nullable', 'string', 'max:120'],
            'past' => ['nullable', 'boolean'],
        ]);
        $today = CarbonImmutable::now()->setTimezone($calendar->time_zone)->format('Y-m-d');
        $dates = $calendar->days->filter(static fn (OtherDay $day): bool => match (true) {
            isset($given['date']) => $day->date->format('Y-m-d') === $given['date'],
            isset($given['source']) => $day->source === $given['source'],
            default => ($given['past'] ?? false) && $day->date->format('Y-m-d') < $today,
        })->map(static fn (OtherDay $day): string => $day->date->format('Y-m-d'));
        $this->save->removeDays($calendar, array_values($dates->all()));

        return redirect(self::ALL."/{$calendar->id}")->with('done', match ($dates->count()) {
            0 => 'There was nothing left to remove.',
            1 => 'That day goes by the week again.',
            default => "{$dates->count()} days go by the week again.",
        });
    }

    public function import(Request $request, WorkCalendar $calendar): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.intdiv(HolidayFile::LARGEST, 1024)]], [
            'file.*' => 'Choose an iCalendar file (.ics) of at most 2 MB.',
        ]);
        $upload = $request->file('file');
        assert($upload instanceof UploadedFile);
        $file = HolidayFile::read((string) $upload->getContent(), $upload->getClientOriginalName(), CarbonImmutable::now());
        $added = $this->save->import($calendar, $file);
        $there = count($file->holidays) - $added;

        return redirect(self::ALL."/{$calendar->id}")->with('done', implode(' ', array_filter([
            trans_choice('{0} No day is new.|{1} One day is closed now.|[2,*] :count days are closed now.', $added),
            $there === 0 ? '' : trans_choice(
                '{1} One was there already, and stays as it is.|[2,*] :count were there already, and stay.', $there
            ),
            $file->withTime === 0 ? '' : "{$file->withTime} entries are no whole days, and were passed over.",
            $file->outside === 0 ? '' : "{$file->outside} are over or too far ahead.",
        ])));
    }

    public function makeMain(WorkCalendar $calendar): RedirectResponse
    {
        $this->save->makeMain($calendar);

        return redirect(self::ALL)->with('done', "What has no hours of its own goes by “{$calendar->name}” now.");
    }

    public function remove(WorkCalendar $calendar): RedirectResponse
    {
        $this->save->remove($calendar);

        return redirect(self::ALL)->with('done', "“{$calendar->name}” is gone.");
    }

    /**
     * @return array{name: string, time_zone: string, week: array<string, list<array{string, string}>>}
     *
     * @throws ValidationException
     */
    private function values(Request $request, ?WorkCalendar $calendar): array
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80', Rule::unique('calendars', 'name')->ignore($calendar?->id)],
            'time_zone' => ['required', 'string', Rule::in(DateTimeZone::listIdentifiers())],
            'week' => ['array:'.implode(',', array_keys(WeekText::DAYS))],
            'week.*' => ['nullable', 'string', 'max:'.WeekText::LONGEST],
            'seen' => ['nullable', 'integer'],
        ], ['name.unique' => 'There are hours of that name already.']);

        return [
            'name' => trim($given['name']), 'time_zone' => $given['time_zone'],
            'week' => WeekText::week((array) ($given['week'] ?? []), 'week'),
        ];
    }
}
