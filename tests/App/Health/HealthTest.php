<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Mail\FetchMailboxes;
use App\Health\Heartbeats;
use App\Health\Part;
use App\Support\RegularWork;
use Carbon\CarbonImmutable;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Contracts\Queue\Job;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Storage;
use Tests\App\Mails;

/*
 * A part that is dead is told, to a monitor and to everybody whom it holds up.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    foreach (Part::cases() as $part) {
        Heartbeats::works($part, 0);
    }
});

it('answers a monitor that all works, without a session', function (): void {
    $this->get('/health')->assertOk()->assertExactJson(['works' => true, 'checks' => [
        'database' => 'ok', 'files' => 'ok', 'intake' => 'ok', 'outbox' => 'ok', 'rules' => 'ok', 'schedule' => 'ok',
        'accounts' => 'ok', 'answers' => 'ok',
    ]])->assertCookieMissing('cairnfield_session');
});

it('tells a monitor what is dead, and since when', function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:02:00Z');
    foreach ([Part::Outbox, Part::Rules, Part::Schedule] as $part) {
        Heartbeats::works($part, 0);
    }
    $this->get('/health')->assertStatus(503)->assertJson([
        'works' => false, 'checks' => ['intake' => 'silent since 2026-11-23T10:00:00Z', 'outbox' => 'ok'],
    ]);
    DB::table('heartbeats')->where('part', 'rules')->delete();
    $this->get('/health')->assertJsonPath('checks.rules', 'was never heard of');
});

it('tells a monitor of accounts that cannot be reached, and of answers that are late', function (): void {
    Account::query()->firstOrFail()->wentWrong('The mail server could not be reached.');
    $this->answer(Mails::conversation(), 'Soon.');
    DB::table('outbox')->update(['state' => 'due', 'attempts' => 0, 'due_at' => now()->subMinutes(11)]);
    $this->get('/health')->assertStatus(503)
        ->assertJsonPath('checks.accounts', '1 cannot be reached, or cannot be read')
        ->assertJsonPath('checks.answers', '1 should have left more than 10 minutes ago');
});

it('tells a monitor where nothing can be stored any more', function (string $what, Closure $breaks, string $found): void {
    $breaks();
    $this->get('/health')->assertStatus(503)->assertJsonPath("checks.{$what}", $found);
})->with([
    'the file store' => ['files', function (): void {
        $disk = config('filesystems.default');
        config(["filesystems.disks.{$disk}.root" => '/proc', "filesystems.disks.{$disk}.throw" => true]);
        Storage::forgetDisk($disk);
    }, 'cannot be written, or has no room left'],
    'the database' => ['database', function (): void {
        config(['database.connections.mariadb.port' => 9]);
        DB::purge('mariadb');
    }, 'does not answer'],
]);

it('shows everybody whom a dead part holds up what does not happen, and who mends it', function (): void {
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertOk()->assertDontSee('does not answer');
    CarbonImmutable::setTestNow('2026-11-23T10:02:00Z');
    $this->get('/queue/my-turn')
        ->assertSee('Nothing that customers write has been taken in since 11:00')
        ->assertSee('No answer has left since 11:00')
        ->assertSee('Corin Hale can mend it.')
        ->assertDontSee('bin/start');
    $this->actingAs($this->teammate('corin'))->get('/queue/my-turn')->assertSee('bin/start on the server')->assertSee('worker-intake.log');
    foreach (Part::cases() as $part) {
        Heartbeats::works($part, 0);
    }
    $this->get('/queue/my-turn')->assertDontSee('does not answer');
});

it('shows everybody that a way in has been silent for longer than a moment, and why', function (): void {
    $account = Account::query()->where('address', 'returns@brindle.example')->sole();
    $account->heard();
    $account->wentWrong('The mail server could not be reached.');
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertDontSee('could not be reached');
    $this->actingAs($this->teammate('corin'))->get('/queue/my-turn')->assertSee('could not be reached');
    CarbonImmutable::setTestNow('2026-11-23T10:00:31Z');
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')
        ->assertSee('returns@brindle.example brings nothing new, or not all of it, since 11:00: The mail server could not be reached.')
        ->assertSee('Corin Hale can mend it.');
    $account->refresh()->heard();
    $this->get('/queue/my-turn')->assertDontSee('could not be reached');
});

it('does not take a part for dead that does something long', function (): void {
    Heartbeats::works(Part::Intake, 60);
    CarbonImmutable::setTestNow('2026-11-23T10:01:30Z');
    expect(array_map(static fn (array $one): Part => $one[0], Heartbeats::silent()))->not->toContain(Part::Intake)
        ->toContain(Part::Outbox);
    CarbonImmutable::setTestNow('2026-11-23T10:02:00Z');
    expect(array_map(static fn (array $one): Part => $one[0], Heartbeats::silent()))->toContain(Part::Intake);
});

it('gives a job as long as it may take, and no longer once it has ended', function (): void {
    $job = Mockery::mock(Job::class, ['getQueue' => 'intake', 'timeout' => 100, 'payload' => [], 'resolveName' => FetchMailboxes::class]);
    $until = fn (): string => (string) DB::table('heartbeats')->where('part', 'intake')->value('silent_until');
    Event::dispatch(new JobProcessing('sync', $job));
    expect($until())->toBe('2026-11-23 10:02:20');
    Event::dispatch(new JobProcessed('sync', $job));
    expect($until())->toBe('2026-11-23 10:00:40');
});

it('hears workers as they wait for work, and the clock', function (): void {
    DB::table('heartbeats')->delete();
    CarbonImmutable::setTestNow('2026-11-23T10:01:00Z');
    foreach (['intake', 'outbox,settling,default', 'rules', 'somebody-elses'] as $queues) {
        Event::dispatch(new Looping('database', $queues));
    }
    $schedule = new Schedule;
    app(RegularWork::class)->planOn($schedule);
    collect($schedule->events())->first(static fn ($event): bool => $event->description === 'say that time goes on')->run(app());
    expect(DB::table('heartbeats')->orderBy('part')->pluck('part')->all())->toBe(['intake', 'outbox', 'rules', 'schedule']);
});
