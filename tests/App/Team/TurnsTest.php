<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetCategory;
use App\Conversations\TakeConversation;
use App\Hours\WorkCalendar;
use App\Routing\GiveWaitingTurns;
use App\Sorting\Category;
use App\Team\Availability;
use App\Team\SetAvailability;
use App\Team\Skill;
use App\Team\TakeTurns;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Assigning\Method;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\FilledForm;
use Tests\App\Mails;

/*
 * Who gets what comes in: who is here, can do it, and has room; what happens where nobody is; what somebody can take next.
 */
beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->care = Team::query()->where('name', 'Care')->sole();
    $this->care->forceFill(['turns' => Method::Even])->save();
    foreach (['ilse', 'ruta'] as $name) {
        $this->{$name} = $this->teammate($name);
    }
    $this->care->teammates()->sync([$this->ilse->id => ['weight' => 1], $this->ruta->id => ['weight' => 1]]);
    $this->ilse->forceFill(['speaks' => null])->save();
    $this->ruta->forceFill(['speaks' => null])->save();
    $this->new = fn (string $name): Conversation => Mails::conversation(['From' => "{$name}@x.example", 'Subject' => "Of {$name}"]);
    $this->give = function (Conversation $conversation): ?string {
        app(AssignConversation::class)->byTurn($conversation, app(TakeTurns::class), Actor::application());

        return $conversation->refresh()->owner?->firstName();
    };
    $this->late = Category::query()->where('name', 'Late parcel')->sole();
    $this->sort = fn (Conversation $conversation) => app(SetCategory::class)->set(
        $conversation, $this->late, Actor::application()
    );
    $this->set = app(SetAvailability::class);
});

it('passes over who is busy, on a break, away, or not at work at this hour', function (Closure $what): void {
    $what->call($this);
    expect(($this->give)(($this->new)('ann')))->toBe('Ruta')->and(($this->give)(($this->new)('bea')))->toBe('Ruta')
        ->and($this->ilse->refresh()->standing())->not->toBe(Availability::Here);
    $this->set->here($this->ilse);
    $this->ilse->forceFill(['calendar_id' => null])->save();
    expect(($this->give)(($this->new)('cid')))->toBe('Ilse');
})->with([
    'busy' => [fn () => $this->set->say($this->ilse, Availability::Busy)],
    'on a break' => [fn () => $this->set->say($this->ilse, Availability::Pause)],
    'away' => [fn () => $this->set->away($this->ilse, CarbonImmutable::now(), null, 'ill')],
    'before the shift' => [function (): void {
        $shift = (new WorkCalendar)->forceFill(['name' => 'Late shift', 'time_zone' => 'UTC', 'week' => ['mon' => [['14:00', '20:00']]]]);
        $shift->save();
        $this->ilse->forceFill(['calendar_id' => $shift->id])->save();
    }],
]);

it('gives what needs a skill to those who have it, by the nearest category that says so', function (): void {
    $this->late->parent->needs()->sync(Skill::named('carriers'));
    $this->ruta->skills()->sync(Skill::named('Carriers, wholesale'));
    foreach (['ann', 'bea', 'cid'] as $name) {
        $conversation = ($this->new)($name);
        ($this->sort)($conversation);
        expect(($this->give)($conversation))->toBe('Ruta');
    }
    // What it says itself stands in place of what is said above it.
    $this->late->needs()->sync(Skill::named('wholesale, repairs'));
    $last = ($this->new)('dot');
    ($this->sort)($last);
    expect(($this->give)($last))->toBeNull()->and(Skill::query()->count())->toBe(3);
});

it('prefers who had the customer’s last matter, where the team wants that and they are here', function (): void {
    $this->care->forceFill(['earlier_owner_first' => true])->save();
    $first = ($this->new)('ann');
    app(AssignConversation::class)->assign($first, $this->ruta, Actor::application());
    $again = fn (): Conversation => Mails::conversation(['From' => 'ann@x.example', 'Subject' => 'Another '.Str::random(8)]);
    expect(($this->give)($again()))->toBe('Ruta')->and(($this->give)($again()))->toBe('Ruta');
    $this->set->say($this->ruta, Availability::Busy);
    expect(($this->give)($again()))->toBe('Ilse');
});

it('waits where nobody is here, says so, and is given as soon as somebody comes', function (): void {
    $this->set->away($this->ilse, CarbonImmutable::now(), null);
    $this->set->say($this->ruta, Availability::Pause);
    $conversation = ($this->new)('ann');
    expect(($this->give)($conversation))->toBeNull()->and($conversation->turn_awaited_since)->not->toBeNull()
        ->and(app(GiveWaitingTurns::class)->give())->toBe(0);
    ($this->give)($conversation);
    expect(JournalEntry::query()->where('kind', JournalKind::TurnAwaited)->count())->toBe(1);
    $this->actingAs($this->ruta)->get("/conversations/{$conversation->id}")->assertSee('Waits for somebody of the team Care')
        ->assertSee('waits for a turn');
    $this->post("/people/{$this->ruta->id}/says", ['availability' => 'here'])->assertSessionHas('done', 'You are here.');
    expect(app(GiveWaitingTurns::class)->give())->toBe(1)->and($conversation->refresh()->owner?->name)->toBe('Ruta Kalnina')
        ->and($conversation->turn_awaited_since)->toBeNull()->and(app(GiveWaitingTurns::class)->give())->toBe(0);
});

it('falls back after the team’s time: to another team, or to the lead', function (bool $toTeam): void {
    $bench = Team::query()->where('name', 'Returns bench')->sole();
    $bench->forceFill(['turns' => Method::FewestOpen])->save();
    $this->care->forceFill(['fallback_minutes' => 20, 'fallback_team_id' => $toTeam ? $bench->id : null])->save();
    $this->set->away($this->ilse, CarbonImmutable::now(), null);
    $this->set->away($this->ruta, CarbonImmutable::now(), null);
    $conversation = ($this->new)('ann');
    ($this->give)($conversation);
    CarbonImmutable::setTestNow('2026-11-23T10:19:59Z');
    expect(app(GiveWaitingTurns::class)->give())->toBe(0);
    CarbonImmutable::setTestNow('2026-11-23T10:20:00Z');
    expect(app(GiveWaitingTurns::class)->give())->toBe(1)
        ->and($conversation->refresh()->owner?->firstName())->toBe($toTeam ? 'Femi' : 'Mads')
        ->and($conversation->team?->name)->toBe($toTeam ? 'Returns bench' : 'Care');
})->with(['to a team' => [true], 'to the lead' => [false]]);

it('waits for nobody any more where somebody took it, or it was resolved', function (): void {
    $this->care->teammates()->sync([]);
    $taken = ($this->new)('ann');
    ($this->give)($taken);
    expect($taken->turn_awaited_since)->not->toBeNull();
    app(TakeConversation::class)->take($taken, $this->teammate('mads'));
    expect($taken->refresh()->turn_awaited_since)->toBeNull();
});

it('has people take what is next where their team wants that, and leads choose', function (): void {
    $this->care->forceFill(['next_only' => true])->save();
    $urgent = ($this->new)('ann');
    CarbonImmutable::setTestNow('2026-11-23T10:01:00Z');
    $easy = ($this->new)('bea');
    $take = app(TakeConversation::class);
    expect(fn () => $take->take($easy, $this->ilse))->toThrow(ConversationRefused::class, 'takes what is next')
        ->and($take->takeNext($this->ilse)?->id)->toBe($urgent->id);
    $this->actingAs($this->ilse)->post("/conversations/{$easy->id}/owner", ['owner' => $this->ilse->id])->assertSessionHas('problem');
    expect($easy->refresh()->owner_id)->toBeNull();
    $take->take($easy, $this->teammate('mads'));
    expect($easy->refresh()->owner?->firstName())->toBe('Mads');
});

it('gives as next what somebody can deal with', function (): void {
    $this->late->needs()->sync(Skill::named('carriers'));
    $hard = ($this->new)('ann');
    ($this->sort)($hard);
    CarbonImmutable::setTestNow('2026-11-23T10:01:00Z');
    Mails::conversation(['From' => 'bench@x.example', 'To' => 'returns@brindle.example', 'Subject' => 'For the bench']);
    CarbonImmutable::setTestNow('2026-11-23T10:02:00Z');
    $mine = ($this->new)('cid');
    expect(app(TakeConversation::class)->takeNext($this->ilse)?->id)->toBe($mine->id);
    $this->ruta->skills()->sync(Skill::named('carriers'));
    expect(app(TakeConversation::class)->takeNext(Teammate::query()->findOrFail($this->ruta->id))?->id)->toBe($hard->id);
});

it('shows all who is here, and lets a lead move a share, looked at first and undone', function (): void {
    foreach (['ann', 'bea', 'cid'] as $name) {
        app(AssignConversation::class)->assign(($this->new)($name), $this->ilse, Actor::application());
    }
    $this->set->away($this->ilse, CarbonImmutable::now(), CarbonImmutable::parse('2026-11-24T08:00:00Z'), 'training');
    $this->actingAs($this->ruta)->get('/team')->assertOk()->assertSee('training')->assertSee('until Tue 09:00')->assertDontSee('Hand over');
    $this->post("/team/{$this->ilse->id}/move", ['count' => 1, 'to' => 'turn'])->assertForbidden();
    $this->actingAs($this->teammate('mads'))->get('/team')->assertSee('Hand over');
    $this->post("/team/{$this->ilse->id}/move", ['count' => 0, 'to' => 'turn'])->assertSessionHasErrors('count');
    $planned = $this->post("/team/{$this->ilse->id}/move", ['count' => 2, 'to' => 'turn'])->assertRedirect()->headers->get('Location');
    $this->get($planned)->assertSee('2 conversations will change.');
    $owners = fn (): array => Conversation::query()->with('owner')->orderBy('id')->get()
        ->map(fn (Conversation $one) => $one->owner?->firstName())->all();
    expect($owners())->toBe(['Ilse', 'Ilse', 'Ilse']);
    $this->post($planned);
    expect($owners())->toBe(['Ruta', 'Ruta', 'Ilse']);
    $this->post("{$planned}/undo");
    expect($owners())->toBe(['Ilse', 'Ilse', 'Ilse']);
});

it('offers to hand out what falls due while one is away', function (): void {
    app(AssignConversation::class)->assign(($this->new)('ann'), $this->ilse, Actor::application());
    $away = $this->actingAs($this->ilse)->post("/people/{$this->ilse->id}/away", ['until' => '2026-11-25T09:00'])
        ->assertRedirect("/team/{$this->ilse->id}/meanwhile");
    $page = $this->get((string) $away->headers->get('Location'))->assertSee('What falls due while you are away')->assertSee('Of ann');
    $planned = FilledForm::on($page, "/team/{$this->ilse->id}/hand-out")->send($this)->headers->get('Location');
    $this->post((string) $planned);
    expect(Conversation::query()->sole()->owner?->firstName())->toBe('Ruta');
    $this->actingAs($this->ruta)->get("/team/{$this->ilse->id}/meanwhile")->assertForbidden();
});

it('reaches upwards to a lead with the reason, and is shown and counted as that', function (): void {
    $conversation = ($this->new)('ann');
    $this->actingAs($this->ilse)->post("/conversations/{$conversation->id}/upwards", ['reason' => ' '])->assertSessionHasErrors('reason');
    $this->post("/conversations/{$conversation->id}/upwards", ['reason' => 'She wants more than I may give'])
        ->assertSessionHas('done', 'It lies with Mads Overgaard now.');
    $this->get("/conversations/{$conversation->id}")->assertSee('reached upwards')
        ->assertSee('Reached upwards to Mads Overgaard by Ilse Norrby: She wants more than I may give');
    expect(JournalEntry::query()->where('kind', JournalKind::ReachedUpwards)->count())->toBe(1)
        ->and($conversation->refresh()->reached_up_at)->not->toBeNull();
    Teammate::query()->where('role', 'lead')->update(['may_sign_in' => false]);
    $this->post("/conversations/{$conversation->id}/upwards", ['reason' => 'Again'])->assertSessionHas('problem');
});

it('keeps what a lead says of a team and its people', function (): void {
    $this->actingAs($this->teammate('mads'));
    $bench = Team::query()->where('name', 'Returns bench')->sole();
    FilledForm::on($this->get('/sorting/teams'), "/sorting/teams/{$this->care->id}")->send($this, [
        'earlier_owner_first' => '1', 'next_only' => '1', 'fallback' => (string) $bench->id, 'fallback_minutes' => '45',
    ])->assertSessionHas('done');
    expect($this->care->refresh()->only(['earlier_owner_first', 'next_only', 'fallback_minutes', 'fallback_team_id']))
        ->toBe(['earlier_owner_first' => true, 'next_only' => true, 'fallback_minutes' => 45, 'fallback_team_id' => $bench->id]);
    $this->post("/sorting/teams/{$this->care->id}", ['name' => 'Care', 'fallback' => (string) $this->care->id, 'fallback_minutes' => '5'])
        ->assertSessionHas('problem');
    FilledForm::on($this->get('/sorting/teams'), "/sorting/people/{$this->ilse->id}/speaks")->send($this, [
        'speaks' => 'da', 'skills' => 'Wholesale,  wholesale , repairs', 'calendar' => (string) WorkCalendar::query()->value('id'),
    ])->assertSessionHas('done');
    expect($this->ilse->refresh()->skills->pluck('name')->all())->toBe(['Wholesale', 'repairs'])
        ->and($this->ilse->calendar_id)->not->toBeNull();
    $this->post('/sorting/away-words', ['words' => 'lunch, training'])->assertSessionHas('done');
    $this->get('/queue/my-turn')->assertSee('<option>training</option>', false);
});

it('keeps what nobody may have in the queue of all, where it waits for the lead', function (Closure $what): void {
    $what->call($this);
    $this->care->forceFill(['fallback_minutes' => 10])->save();
    $conversation = ($this->new)('ann');
    expect(($this->give)($conversation))->toBeNull();
    $this->actingAs($this->ruta)->get('/queue/nobodys-yet')->assertSee('Of ann');
    $this->travel(11)->minutes();
    app(GiveWaitingTurns::class)->give();
    expect($conversation->refresh()->owner?->firstName())->toBe('Mads');
})->with([
    'a team without members' => [fn () => $this->care->teammates()->sync([])],
    'caps of zero' => [fn () => $this->care->teammates()->sync([
        $this->ilse->id => ['weight' => 1, 'cap' => 0], $this->ruta->id => ['weight' => 1, 'cap' => 0],
    ])],
    'shares of zero' => [function (): void {
        $this->care->forceFill(['turns' => Method::Weighted])->save();
        $this->care->teammates()->sync([$this->ilse->id => ['weight' => 0], $this->ruta->id => ['weight' => 0]]);
    }],
]);
