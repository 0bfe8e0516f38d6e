<?php

declare(strict_types=1);

use App\Answering\ScheduledReply;
use App\Conversations\BringBackHeld;
use App\Conversations\ConversationState;
use App\Support\LocalTime;
use App\Tasks\Task;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * The nights in which the clock is changed: an hour that there is twice, and one that there is not.
 */

const TWICE = '2026-10-25T02:30';

const NEVER = '2027-03-28T02:30';

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-10-23T10:00:00Z');
    $this->conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->at = "/conversations/{$this->conversation->id}";
});

/**
 * Both readings of an hour that there is twice; of one that there is not, the moment at which the clock would have shown it.
 *
 * @return list<string>
 */
function readings(string $written): array
{
    return $written === TWICE ? ['2026-10-25T00:30:00Z', '2026-10-25T01:30:00Z'] : ['2027-03-28T01:30:00Z', '2027-03-28T00:30:00Z'];
}

it('takes such an hour for a task, and shows it', function (string $written): void {
    $this->post(
        "{$this->at}/tasks",
        ['title' => 'Night shift', 'assignee' => $this->teammate('ilse')->id, 'due_at' => $written, 'remind' => '60']
    )->assertSessionHas('done');
    expect(Task::query()->sole()->due_at->toIso8601ZuluString())->toBeIn(readings($written));
    $this->get('/tasks')->assertOk()->assertSee('Night shift');
    $this->get($this->at)->assertOk();
})->with([TWICE, NEVER]);

it('holds until such an hour, and brings it back once', function (string $written): void {
    $this->post("{$this->at}/hold", ['reason' => 'Carrier', 'until' => 'time', 'bring_back_at' => $written])->assertSessionHas('done');
    $at = $this->conversation->refresh()->bring_back_at;
    expect($at?->toIso8601ZuluString())->toBeIn(readings($written));
    foreach ([-1, 1, 3600] as $seconds) {
        CarbonImmutable::setTestNow(CarbonImmutable::instance($at)->addSeconds($seconds));
        app(BringBackHeld::class)();
        expect($this->conversation->refresh()->state)->toBe($seconds < 0 ? ConversationState::Held : ConversationState::Open);
    }
    expect(DB::table('journal')->where('kind', 'state_changed')->where('details', 'like', '%"to":"open"%')->count())->toBe(1);
})->with([TWICE, NEVER]);

it('keeps an answer for such an hour', function (string $written): void {
    $this->post("{$this->at}/reply", [
        'text' => 'At night.', 'then' => 'waiting', 'when' => 'at', 'at' => $written, 'seen' => DB::table('journal')
            ->max('id'), 'once' => Str::uuid()
            ->toString(),
    ])->assertSessionHas('done');
    expect(ScheduledReply::query()->sole()->send_at->toIso8601ZuluString())->toBeIn(readings($written));
    $this->get($this->at)->assertOk();
})->with([TWICE, NEVER]);

it('knows somebody away over such an hour', function (string $written): void {
    $this->actingAs($this->teammate('mads'))
        ->post("/people/{$this->teammate('ilse')->id}/away", ['from' => '', 'until' => $written])
        ->assertSessionHas('done');
    $ilse = $this->teammate('ilse');
    expect($ilse->isAway())->toBeTrue()->and($ilse->away_until?->toIso8601ZuluString())->toBeIn(readings($written));
    $this->get('/sorting/teams')->assertOk();
})->with([TWICE, NEVER]);

it('refuses a time that is none', function (string $written): void {
    $this->post(
        "{$this->at}/tasks", ['title' => 'Some day', 'assignee' => $this->teammate('ilse')->id, 'due_at' => $written]
    )->assertSessionHasErrors('due_at');
    $this->post("{$this->at}/hold", ['reason' => 'Carrier', 'until' => 'time', 'bring_back_at' => $written]);
    expect(Task::query()->exists())->toBeFalse()->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
})->with([
    '2026-02-30T10:00', '2026-13-01T10:00', '2026-11-24T25:00', '2026-11-24', 'tomorrow', '2026-11-24T10:00:00Z',
    '99999-01-01T10:00',
]);

it('says times as the reader’s clock shows them, on both sides of the change', function (string $at, string $zone, string $short): void {
    $this->teammate('ilse')->forceFill(['time_zone' => $zone])->save();
    $this->actingAs($this->teammate('ilse'));
    CarbonImmutable::setTestNow('2026-10-25T12:00:00Z');
    expect(app(LocalTime::class)->short(CarbonImmutable::parse($at)))->toBe($short);
})->with([
    'before the change' => ['2026-10-25T00:30:00Z', 'Europe/Copenhagen', '02:30'],
    'after it' => ['2026-10-25T01:30:00Z', 'Europe/Copenhagen', '02:30'],
    'the day before' => ['2026-10-24T21:59:00Z', 'Europe/Copenhagen', 'Sat 23:59'],
    'the first minute of the day' => ['2026-10-24T22:00:00Z', 'Europe/Copenhagen', '00:00'],
    'six days on' => ['2026-10-31T11:00:00Z', 'Europe/Copenhagen', 'Sat 12:00'],
    'seven days on' => ['2026-11-01T11:00:00Z', 'Europe/Copenhagen', 'Sun 1 Nov 12:00'],
    'another year' => ['2027-10-25T11:00:00Z', 'Europe/Copenhagen', 'Mon 25 Oct 2027 13:00'],
    'far east, tomorrow already' => ['2026-10-25T12:00:00Z', 'Pacific/Auckland', '01:00'],
    'far west, still yesterday' => ['2026-10-25T06:00:00Z', 'Pacific/Honolulu', 'Sat 20:00'],
    'by a quarter of an hour' => ['2026-10-25T12:00:00Z', 'Asia/Kathmandu', '17:45'],
]);
