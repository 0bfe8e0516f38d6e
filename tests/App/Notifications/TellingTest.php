<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Conversations\BringBackHeld;
use App\Notifications\MailNews;
use App\Notifications\MailWhen;
use App\Notifications\Mentions;
use App\Notifications\News;
use App\Notifications\NewsKind;
use App\Notifications\NotifyFromJournal;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    app(NotifyFromJournal::class)->run();
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    CarbonImmutable::setTestNow('2026-11-23T10:01:00Z');
    app(NotifyFromJournal::class)->run();
    $this->note = fn (string $as, string $text) => $this->actingAs($this->teammate($as))
        ->post("/conversations/{$this->conversation->id}/notes", ['text' => $text, 'once' => Str::uuid()->toString()])
        ->assertSessionHas('done');
});

/**
 * @return list<string> `who: kind`
 */
function told(): array
{
    app(NotifyFromJournal::class)->run();

    return News::query()
        ->with('teammate')
        ->orderBy('id')
        ->get()
        ->map(static fn (News $news): string => strtolower($news->teammate->firstName()).': '.$news->kind->value)
        ->all();
}

it('tells those who are named in a note, once', function (): void {
    ($this->note)('ilse', 'Can you look, @Mads? And @femi, is the spar in?');
    expect(told())->toBe(['mads: mentioned', 'femi: mentioned'])->and(told())->toHaveCount(2);
    CarbonImmutable::setTestNow(now()->addMinute());
    expect(told())->toHaveCount(2)
        ->and(News::query()->firstOrFail()->text)->toContain('Ilse Norrby in '.$this->conversation->number())->toContain('Can you look');
});

it('reads names as they are written, and no parts of words', function (string $text, array $named): void {
    $team = Teammate::query()->orderBy('id')->get()->all();
    expect(array_map(static fn (Teammate $person): string => $person->firstName(), Mentions::in($text, $team)))->toBe($named);
})->with([
    [
        '@ILSE and @Mads', ['Ilse', 'Mads'],
    ], ['write to care@ilse.example', []], ['@Ilsebill', []], ['@Ruta Kalnina!', ['Ruta']], ['ilse', []], ['@', []],
]);

it('tells two of the same first name apart', function (): void {
    Teammate::query()->create([
        'name' => 'Ilse Brandt', 'email' => 'ilse2@brindle.example', 'password' => 'x', 'role' => 'care', 'time_zone' => 'UTC',
    ]);
    $team = Teammate::query()->orderBy('id')->get()->all();
    expect(Mentions::in('@Ilse', $team))->toBe([])->and(Mentions::in('@Ilse Brandt', $team)[0]->name)->toBe('Ilse Brandt');
});

it('tells of what was given to them only the one it was given to, though another has the same name', function (): void {
    $other = Teammate::query()->create([
        'name' => 'Ruta Kalnina', 'email' => 'ruta2@brindle.example', 'password' => 'x', 'role' => 'care', 'time_zone' => 'UTC',
    ]);
    $this->actingAs($this->teammate('mads'))
        ->post("/conversations/{$this->conversation->id}/owner", ['owner' => $other->id])
        ->assertSessionHas('done');
    told();
    expect(News::query()->sole()->teammate_id)->toBe($other->id);
});

it('tells the owner and those who follow what happens, but nobody of what they did', function (): void {
    $this->actingAs($this->teammate('mads'))
        ->post("/conversations/{$this->conversation->id}/owner", ['owner' => $this->teammate('ilse')->id, 'word' => 'She asked for you'])
        ->assertSessionHas('done');
    expect(told())->toBe(['ilse: given', 'ilse: mentioned']);
    $this->actingAs($this->teammate('ruta'))->post("/conversations/{$this->conversation->id}/follow")->assertSessionHas('done');
    ($this->note)('ilse', 'Looking');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'Any news?'));
    expect(array_slice(told(), 2))->toBe(['ruta: noted', 'ilse: customer_wrote', 'ruta: customer_wrote']);
    $this->actingAs($this->teammate('ilse'))->post(
        "/conversations/{$this->conversation->id}/hold", ['reason' => 'Carrier', 'bring_back_at' => '2026-11-23T12:00']
    );
    CarbonImmutable::setTestNow('2026-11-23T11:05:00Z');
    app(BringBackHeld::class)();
    expect(array_slice(told(), 5))->toBe(['ruta: state_changed', 'ilse: came_back', 'ruta: came_back']);
    $this->get("/conversations/{$this->conversation->id}")->assertSee('@Ilse: She asked for you');
});

it('follows no more when asked again', function (): void {
    $this->actingAs($this->teammate('ruta'))->post("/conversations/{$this->conversation->id}/follow");
    $this->post("/conversations/{$this->conversation->id}/follow")->assertSessionHas('done', 'You follow it no more.');
    ($this->note)('ilse', 'Looking');
    expect(told())->toBe([]);
});

it('shows what is new in the application until it is read', function (): void {
    ($this->note)('ilse', 'For you, @Mads');
    told();
    $this->actingAs($this->teammate('mads'))->get('/queue/my-turn')->assertSee('News <span class="count">1</span>', false);
    $this->get('/news')->assertSee('For you, @Mads')->assertSee('is-unread', false);
    $this->get('/news/count?shown=1')->assertNoContent();
    $this->get("/conversations/{$this->conversation->id}")->assertOk();
    $this->get('/news/count?shown=1')->assertOk();
    expect(News::query()->whereNull('read_at')->count())->toBe(0);
    $this->actingAs($this->teammate('ruta'))->get('/news')->assertDontSee('For you');
});

it('tells as each person wants it', function (): void {
    $told = array_fill_keys(array_column(NewsKind::cases(), 'value'), ['app' => '0', 'mail' => 'never']);
    $this->actingAs($this->teammate('mads'))
        ->post('/own-settings', ['time_zone' => 'Europe/Copenhagen', 'told' => $told])
        ->assertSessionHas('done');
    $this->actingAs($this->teammate('ruta'))
        ->post('/own-settings', ['time_zone' => 'Europe/Copenhagen', 'told' => ['mentioned' => ['app' => '0', 'mail' => 'daily']] + $told])
        ->assertSessionHas('done');
    ($this->note)('ilse', '@Mads @Ruta @Femi');
    expect(told())->toBe(['ruta: mentioned', 'femi: mentioned'])
        ->and(News::query()->where('teammate_id', $this->teammate('ruta')->id)->value('mail_due_at'))->toBe('2026-11-24 07:00:00');
    $this->actingAs($this->teammate('ruta'))->get('/news')->assertDontSee('@Mads');
    $this->post(
        '/own-settings', ['time_zone' => 'Europe/Copenhagen', 'told' => ['mentioned' => ['mail' => 'by pigeon']]]
    )->assertSessionHasErrors();
});

it('knows when a mail is due', function (MailWhen $when, ?string $due): void {
    expect($when->dueAt(CarbonImmutable::parse('2026-11-23T10:20:00Z'), 'Europe/Copenhagen')?->toIso8601ZuluString())->toBe($due);
})->with([
    [MailWhen::Never, null], [MailWhen::AtOnce, '2026-11-23T10:20:00Z'], [MailWhen::Hourly, '2026-11-23T11:00:00Z'],
    [MailWhen::Daily, '2026-11-24T07:00:00Z'],
]);

it('tries a mail again that could not be sent', function (): void {
    Account::query()
        ->where('channel', 'email')
        ->get()
        ->each(
            static fn (Account $account) => $account->forceFill([
                'settings' => [...$account->settings, 'smtp_host' => '127.0.0.1', 'smtp_port' => 1, 'smtp_security' => 'none'],
            ])->save()
        );
    ($this->note)('ilse', '@Mads');
    told();
    app()->call([new MailNews, 'handle']);
    expect(News::query()->value('mailed_at'))->toBeNull()->and(News::query()->value('mail_due_at'))->toBe('2026-11-23 10:06:00');
});

it('says who else is here and who writes, and when they have left', function (): void {
    $address = "/conversations/{$this->conversation->id}";
    $this->actingAs($this->teammate('mads'))->get($address)->assertOk();
    preg_match('#/changes\?mark=([\w.-]+)#', (string) $this->get($address)->getContent(), $mark);
    $this->actingAs($this->teammate('ilse'))->get($address)->assertSee('Mads is looking');
    $this->actingAs($this->teammate('mads'))
        ->get("{$address}/changes?mark={$mark[1]}&here=x")
        ->assertOk()
        ->assertHeader('HX-Reswap', 'none')
        ->assertSee('Ilse is looking')
        ->assertDontSee('trail');
    $this->actingAs($this->teammate('ilse'))->get("{$address}/changes?mark={$mark[1]}&here=x&writes=yes");
    $this->actingAs($this->teammate('mads'))->get("{$address}/changes?mark={$mark[1]}&here=x")->assertSee('Ilse is writing');
    $this->actingAs($this->teammate('ilse'))->post("{$address}/left")->assertNoContent();
    $this->actingAs($this->teammate('mads'))->get("{$address}/changes?mark={$mark[1]}&here=x")->assertDontSee('Ilse');
    CarbonImmutable::setTestNow(now()->addSeconds(20));
    $this->actingAs($this->teammate('ruta'))->get($address)->assertDontSee('is looking');
});

it('marks what happened since one looked', function (): void {
    $address = "/conversations/{$this->conversation->id}";
    $this->actingAs($this->teammate('mads'))->get($address)->assertDontSee('New since you looked');
    CarbonImmutable::setTestNow(now()->addHour());
    ($this->note)('ilse', 'The carrier has it');
    $this->actingAs($this->teammate('mads'))
        ->get($address)
        ->assertSeeInOrder(['Something happened since you looked', 'New since you looked', 'The carrier has it']);
    $this->get($address)->assertDontSee('New since you looked');
});

it('tells each of what was given to them, also where it changes hands at once', function (): void {
    foreach (['ilse', 'ruta'] as $name) {
        $this->actingAs($this->teammate('mads'))->post(
            "/conversations/{$this->conversation->id}/owner", ['owner' => $this->teammate($name)->id]
        );
    }
    expect(told())->toBe(['ilse: given', 'ruta: given']);
});

it('goes on after a gap in the journal’s numbers', function (): void {
    Illuminate\Support\Facades\DB::table('journal')->insert([
        'id' => 900_000, 'conversation_id' => $this->conversation->id, 'actor' => 'application', 'kind' => 'delivered',
        'details' => '{}', 'at' => now(),
    ]);
    ($this->note)('ilse', 'After the gap, @Mads');
    expect(told())->toBe(['mads: mentioned']);
});

it('mails nothing to who has left, whatever was still to be told', function (): void {
    Account::query()
        ->where('channel', 'email')
        ->get()
        ->each(
            static fn (Account $account) => $account->forceFill([
                'settings' => [...$account->settings, 'smtp_host' => '127.0.0.1', 'smtp_port' => 1, 'smtp_security' => 'none'],
            ])->save()
        );
    ($this->note)('ilse', '@Mads @Ruta');
    told();
    $this->teammate('mads')->forceFill(['may_sign_in' => false])->save();
    $due = News::query()->where('teammate_id', $this->teammate('mads')->id)->value('mail_due_at');
    app()->call([new MailNews, 'handle']);
    // What was tried in vain is due again later: Ruta's was, Mads's was not.
    expect(News::query()->where('teammate_id', $this->teammate('mads')->id)->value('mail_due_at'))->toBe($due)
        ->and(News::query()->where('teammate_id', $this->teammate('ruta')->id)->value('mail_due_at'))->toBe('2026-11-23 10:06:00');
});

it('is due at the same time of the clock, also where the clock is changed', function (
    string $now, string $zone, MailWhen $when, string $due
): void {
    expect($when->dueAt(CarbonImmutable::parse($now), $zone)?->toIso8601ZuluString())->toBe($due);
})->with([
    'before the clock goes forward' => ['2026-03-28T10:00:00Z', 'Europe/Copenhagen', MailWhen::Daily, '2026-03-29T06:00:00Z'],
    'before it goes back' => ['2026-10-24T10:00:00Z', 'Europe/Copenhagen', MailWhen::Daily, '2026-10-25T07:00:00Z'],
    'at eight exactly' => ['2026-11-23T07:00:00Z', 'Europe/Copenhagen', MailWhen::Daily, '2026-11-24T07:00:00Z'],
    'a second before' => ['2026-11-23T06:59:59Z', 'Europe/Copenhagen', MailWhen::Daily, '2026-11-23T07:00:00Z'],
    'far east' => ['2026-11-23T22:30:00Z', 'Pacific/Auckland', MailWhen::Daily, '2026-11-24T19:00:00Z'],
    'at the hour exactly' => ['2026-11-23T10:00:00Z', 'Europe/Copenhagen', MailWhen::Hourly, '2026-11-23T11:00:00Z'],
]);

it('marks one’s own news as read, and nobody else’s', function (): void {
    ($this->note)('ilse', '@Mads @Ruta');
    told();
    $this->actingAs($this->teammate('mads'))->post('/news/read')->assertRedirect('/news');
    expect(News::query()->where('teammate_id', $this->teammate('mads')->id)->value('read_at'))->not->toBeNull()
        ->and(News::query()->where('teammate_id', $this->teammate('ruta')->id)->value('read_at'))->toBeNull();
    $this->actingAs($this->teammate('ruta'))->get('/news')->assertSee('is-unread', false);
});

it('tells nobody who has left by the time it is looked at', function (): void {
    ($this->note)('ilse', '@Mads @Ruta');
    $this->teammate('mads')->forceFill(['may_sign_in' => false])->save();
    expect(told())->toBe(['ruta: mentioned']);
});
