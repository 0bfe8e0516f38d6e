<?php

declare(strict_types=1);

use App\Hours\Calendars;
use App\Hours\HolidayFile;
use App\Hours\HoursNotSaved;
use App\Hours\OpeningInWords;
use App\Hours\OpenNow;
use App\Hours\OtherDay;
use App\Hours\SaveCalendar;
use App\Hours\StoreHours;
use App\Hours\WeekText;
use App\Hours\WorkCalendar;
use App\Promises\PromiseSet;
use App\Promises\SavePromiseSet;
use App\Support\LocalTime;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Tests\App\FilledForm;

beforeEach(function (): void {
    $this->travelTo('2026-11-23 08:30:00');
    $this->calendar = WorkCalendar::query()->sole();
    $this->page = "/hours/{$this->calendar->id}";
    $event = static fn (string $event): string => "BEGIN:VEVENT\r\n".str_replace('|', "\r\n", $event)."\r\nEND:VEVENT\r\n";
    $this->ics = static fn (string ...$events): string => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Statistics//EN\r\n"
        .implode('', array_map($event, $events))."END:VCALENDAR\r\n";
    $this->actingAs($this->teammate('mads'));
    $this->import = fn (string $content) => $this->post("{$this->page}/import", [
        'file' => UploadedFile::fake()->createWithContent('denmark.ics', $content),
    ]);
    $this->closed = fn (): array => OtherDay::query()->where('source', '!=', '')->orderBy('date')->get()
        ->mapWithKeys(static fn (OtherDay $day): array => [$day->date->format('Y-m-d') => $day->name])->all();
});

it('keeps a week as it is drawn or typed, and goes by it at once', function (): void {
    $form = FilledForm::on($this->get($this->page)->assertOk(), $this->page);
    $form->send($this, ['week[mon]' => '13.30-17, 9 – 12:30', 'week[sat]' => ''])->assertSessionHas('done');
    expect($this->calendar->refresh()->week['mon'])->toBe([['09:00', '12:30'], ['13:30', '17:00']])
        ->and($this->calendar->week)->not->toHaveKey('sat')
        ->and(app(StoreHours::class)->isOpen(CarbonImmutable::parse('2026-11-23T12:00:00Z')))->toBeFalse();
    $this->get('/hours')->assertSee('open now until 12:30')->assertSee('09:00–12:30, 13:30–17:00');
});

it('refuses hours that cannot be, at their place, and keeps the form', function (string $written, string $why): void {
    $form = FilledForm::on($this->get($this->page), $this->page);
    $form->send($this, ['week[tue]' => $written, 'name' => 'Desk'])->assertSessionHasErrors('week.tue');
    $this->get($this->page)->assertSee($why)->assertSee($written)->assertSee('value="Desk"', false);
    expect($this->calendar->refresh()->week['tue'])->toBe([['09:00', '17:00']]);
})->with([
    'two that overlap' => ['9–12, 11–15', 'Tuesday: 09:00–12:00 and 11:00–15:00 overlap'],
    'over midnight' => ['22–2', 'Write 22:00–24:00, and the rest on the next day'],
    'midnight written as the beginning' => ['9–0', 'write the end of the day as 24:00: 09:00–24:00'],
    'no time there is' => ['9–25', 'a time is from 00:00 to 24:00'],
    'words' => ['in the morning', 'write “in the morning” as 09:00–17:00'],
]);

it('refuses hours that never open', function (): void {
    $empty = array_fill_keys(array_map(static fn (string $day): string => "week[{$day}]", array_keys(WeekText::DAYS)), '');
    OtherDay::query()->where('open', '!=', '[]')->delete();
    FilledForm::on($this->get($this->page), $this->page)->send($this, $empty)->assertSessionHas('problem');
    // One day in the year is enough.
    app(SaveCalendar::class)->putDay($this->calendar, CarbonImmutable::parse('2026-12-01'), [['09:00', '10:00']], '');
    // The page shows what was refused once more, and then as it is.
    $this->get($this->page)->assertSee('value=""', false);
    FilledForm::on($this->get($this->page), $this->page)->send($this, $empty)->assertSessionHas('done');
    $this->post("{$this->page}/days/remove", ['date' => '2026-12-01'])->assertSessionHas('problem');
    expect(OtherDay::query()->where('date', '2026-12-01')->exists())->toBeTrue();
});

it('says that somebody else changed them meanwhile, and takes the second press as it stands', function (): void {
    $mine = FilledForm::on($this->get($this->page), $this->page);
    FilledForm::on($this->get($this->page), $this->page)->send($this, ['week[mon]' => '10–16'])->assertSessionHas('done');
    $mine->send($this, ['week[mon]' => '8–20'])->assertSessionHas('problem');
    $again = $this->get($this->page)->assertSee('Somebody else has changed');
    expect($this->calendar->refresh()->week['mon'])->toBe([['10:00', '16:00']]);
    FilledForm::on($again, $this->page)->send($this)->assertSessionHas('done');
    expect($this->calendar->refresh()->week['mon'])->toBe([['08:00', '20:00']]);
});

it('has days that are other than the week, one or several', function (): void {
    $days = "{$this->page}/days";
    $this->post($days, ['date' => '2026-11-24', 'open' => '', 'name' => 'Stocktaking'])
        ->assertSessionHas('done', 'Tuesday 24 November 2026 is closed.');
    $this->post($days, ['date' => '2026-12-28', 'until' => '2026-12-30', 'open' => '10–14'])->assertSessionHas('done');
    $this->post($days, ['date' => '2026-12-30', 'until' => '2026-12-28'])->assertSessionHasErrors('until');
    $this->post($days, ['date' => '2026-02-30'])->assertSessionHasErrors('date');
    $this->post($days, ['date' => '2026-12-01', 'open' => '12–9'])->assertSessionHasErrors('open');
    $hours = app(StoreHours::class);
    expect($hours->isOpen(CarbonImmutable::parse('2026-11-24T10:00:00Z')))->toBeFalse()
        ->and($hours->isOpen(CarbonImmutable::parse('2026-12-29T12:59:59Z')))->toBeTrue()
        ->and($hours->isOpen(CarbonImmutable::parse('2026-12-29T13:00:00Z')))->toBeFalse();
    $this->get($this->page)->assertSee('Stocktaking')->assertSee('10:00–14:00');
    $this->post("{$days}/remove", ['date' => '2026-11-24'])->assertSessionHas('done', 'That day goes by the week again.');
    expect(app(StoreHours::class)->isOpen(CarbonImmutable::parse('2026-11-24T10:00:00Z')))->toBeTrue();
});

it('takes holidays from a calendar file, those of each year for the years to come', function (): void {
    ($this->import)(($this->ics)(
        'UID:1|DTSTART;VALUE=DATE:20261208|SUMMARY:Kite Day',
        'UID:2|DTSTART;VALUE=DATE:20200605|RRULE:FREQ=YEARLY|SUMMARY:Constitution Day',
        'UID:3|DTSTART;VALUE=DATE:20270802|DTEND;VALUE=DATE:20270804|SUMMARY:Two days',
        'UID:4|DTSTART:20261210T100000Z|DTEND:20261210T110000Z|SUMMARY:Meeting',
        'UID:5|DTSTART;VALUE=DATE:20261224|SUMMARY:There already',
        'UID:6|DTSTART;VALUE=DATE:19990101|SUMMARY:Long ago',
    ))->assertSessionHas('done');
    expect(($this->closed)())->toMatchArray([
        '2026-12-08' => 'Kite Day', '2026-06-05' => 'Constitution Day', '2031-06-05' => 'Constitution Day', '2027-08-02' => 'Two days',
        '2027-08-03' => 'Two days',
    ])->not->toHaveKey('2027-08-04')->not->toHaveKey('2032-06-05')->not->toHaveKey('2026-12-24')->not->toHaveKey('1999-01-01');
    $this->get($this->page)->assertSee('denmark.ics')->assertSee('Kite Day');
    // The same file again adds nothing, and all of it can be taken out again.
    $before = ($this->closed)();
    ($this->import)(($this->ics)('UID:1|DTSTART;VALUE=DATE:20261208|SUMMARY:Another name'))
        ->assertSessionHas('done', 'No day is new. One was there already, and stays as it is.');
    expect(($this->closed)())->toBe($before);
    $this->post("{$this->page}/days/remove", ['source' => 'denmark.ics'])->assertSessionHas('done');
    expect(($this->closed)())->toBe([])->and(OtherDay::query()->where('date', '2026-12-24')->exists())->toBeTrue();
});

it('refuses files that hold no holidays, and says why', function (string $content, string $why): void {
    $before = OtherDay::query()->count();
    ($this->import)($content === 'meeting' ? ($this->ics)('UID:4|DTSTART:20261210T100000Z|SUMMARY:Meeting') : (
        $content === 'past' ? ($this->ics)('UID:4|DTSTART;VALUE=DATE:20010101|SUMMARY:Past') : $content
    ))->assertSessionHas('problem');
    $this->get($this->page)->assertSee($why);
    expect(OtherDay::query()->count())->toBe($before);
})->with([
    'rubbish' => ["\x00\xff\x13 not a calendar", 'no iCalendar file'],
    'a card of an address' => ["BEGIN:VCARD\r\nVERSION:4.0\r\nFN:A\r\nEND:VCARD\r\n", 'it is no calendar'],
    'appointments alone' => ['meeting', 'it holds no whole days'],
    'what is over' => ['past', 'all its days are over'],
]);

it('takes a file of 5,000 entries as far as a calendar holds them, and a broken one among good ones is passed over', function (): void {
    $date = static fn (int $day): string => gmdate('Ymd', 1_767_225_600 + $day * 86_400);
    $event = static fn (int $day): string => "UID:x{$day}|DTSTART;VALUE=DATE:{$date($day)}|SUMMARY:Day {$day}";
    ($this->import)(($this->ics)(...array_map($event, range(0, 4999))))->assertSessionHas('problem');
    expect(($this->closed)())->toBe([]);
    $same = static fn (int $number): string => "UID:y{$number}|DTSTART;VALUE=DATE:20270".($number % 9 + 1).'11|SUMMARY:Same';
    ($this->import)(($this->ics)('UID:b|DTSTART;VALUE=DATE:20271345|SUMMARY:Broken', ...array_map($same, range(1, 5000))))
        ->assertSessionHas('done');
    expect(($this->closed)())->toHaveCount(9);
});

it('follows no rule for ever', function (): void {
    $daily = ($this->ics)('UID:1|DTSTART;VALUE=DATE:20260101|RRULE:FREQ=DAILY|SUMMARY:Always');
    $file = HolidayFile::read($daily, 'x.ics', CarbonImmutable::now());
    expect(count($file->holidays))->toBe(365 * 6 + 1)
        ->and(fn () => app(SaveCalendar::class)->import($this->calendar, $file))->toThrow(HoursNotSaved::class);
});

it('has several calendars, one of which is the store’s own', function (): void {
    $this->post('/hours', ['name' => 'Bench', 'time_zone' => 'Asia/Tokyo', 'week' => ['mon' => '9–12']])->assertSessionHas('done');
    $bench = WorkCalendar::query()->where('name', 'Bench')->sole();
    $this->post('/hours', ['name' => 'Bench', 'time_zone' => 'Asia/Tokyo', 'week' => ['mon' => '9–12']])->assertSessionHasErrors('name');
    $this->post("{$this->page}/remove")->assertSessionHas('problem');
    $this->post("/hours/{$bench->id}/main")->assertSessionHas('done');
    expect(app(Calendars::class)->main()->name)->toBe('Bench')
        // Monday nine o'clock in Tokyo.
        ->and(app(StoreHours::class)->opensAt(CarbonImmutable::now())?->toIso8601ZuluString())->toBe('2026-11-30T00:00:00Z');
    // Promises are counted in it.
    $this->post("{$this->page}/remove")->assertSessionHas('problem', '“Store” is needed by the promise set “Everybody”. Have them go by '
        .'other hours first.');
    app(SavePromiseSet::class)->retire(PromiseSet::query()->sole(), true, $this->teammate('mads'));
    $this->post("{$this->page}/remove")->assertSessionHas('done');
    expect(WorkCalendar::query()->count())->toBe(1);
});

it('says when it is open, to the team and to customers', function (string $now, string $team, string $customer): void {
    $now = CarbonImmutable::parse($now);
    $this->travelTo($now);
    expect(OpenNow::of(app(StoreHours::class), app(LocalTime::class), $now))->toBe($team)
        ->and(OpeningInWords::sentence(app(StoreHours::class), 'de', $now))->toBe($customer);
})->with([
    'in the morning' => ['2026-11-23T08:30:00Z', 'open now until 17:00', 'Heute ist bis 17:00 Uhr jemand da.'],
    'on Saturday evening' => [
        '2026-11-28T18:00:00Z', 'closed, opens Mon 09:00',
        'Gerade ist niemand da; wir sind am Montag, 30. November um 09:00 Uhr wieder da.',
    ],
]);

it('shows it at the head of the queue and on the form', function (): void {
    $this->get('/queue/my-turn')->assertSee('open now until 17:00');
    $this->get('/forms/contact')->assertSee('Somebody is here today until 17:00.');
    $this->travelTo('2026-11-28 18:00:00');
    $this->get('/forms/contact')->assertSee('we are back on Monday');
});

it('is arranged by leads alone', function (): void {
    $this->actingAs($this->teammate('ilse'))->get('/hours')->assertForbidden();
    $this->post($this->page, ['name' => 'Mine'])->assertForbidden();
});
