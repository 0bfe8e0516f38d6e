<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\SetCategory;
use App\Promises\AgreedTime;
use App\Promises\Promise;
use App\Promises\PromiseRecord;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\Recount;
use App\Promises\SavePromiseSet;
use App\Promises\TellPromises;
use App\Rules\Rule;
use App\Rules\RunRules;
use App\Sorting\Category;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\App\FilledForm;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T09:00:00Z');
    $this->actingAs($this->teammate('mads'));
    $this->everybody = PromiseSet::query()->sole();
    $this->new = fn (): FilledForm => FilledForm::on($this->get('/promises/new')->assertOk(), '/promises');
});

/**
 * @param  array<string, list<array<string, string>>>  $does  by `warning` and `miss`
 * @return array<string, string> by the names of the fields
 */
function lines(array $does): array
{
    $fields = [];
    foreach ($does as $when => $actions) {
        foreach ($actions as $line => $action) {
            foreach ($action as $key => $value) {
                $fields["does[{$when}][{$line}][{$key}]"] = $value;
            }
        }
    }

    return $fields;
}

it('makes a set by its form, tried before the others', function (): void {
    ($this->new)()->send($this, [
        'name' => ' Wholesale  people ', 'targets[first_reply][seconds][urgent]' => '30 min',
        'targets[first_reply][seconds][normal]' => '1 h 30',
        'targets[first_reply][warn_before]' => '15m', 'targets[resolve][seconds][normal]' => '2d', 'targets[resolve][calendar]' => '',
    ])->assertRedirect('/promises');
    $set = PromiseSet::query()->where('name', 'Wholesale people')->sole();
    expect($set->place)->toBe(1)->and($this->everybody->refresh()->place)->toBe(2)
        ->and($set->targets[0]['seconds'])->toEqual(['urgent' => 1800, 'normal' => 5400])
        ->and($set->targets[0]['warn_before'])->toBe(900)
        ->and($set->targets[1])->toMatchArray(['kind' => 'resolve', 'calendar' => null, 'runs_in' => ['open', 'held']])
        ->and(count($set->targets))->toBe(2);
    $this->get('/promises')->assertSeeInOrder(['Wholesale people', '1 h 30', 'Everybody', '4 h']);
});

it('refuses what cannot be promised, at its place, and keeps the form', function (array $wrong, string $why): void {
    $page = ($this->new)()->send($this, ['name' => 'Odd', 'targets[update][seconds][low]' => '7 h', ...$wrong])->assertOk();
    $page->assertSee($why)->assertSee('value="Odd"', false)->assertSee('value="7 h"', false);
    expect(PromiseSet::query()->count())->toBe(1);
})->with([
    'a warning before it begins' => [
        ['targets[first_reply][seconds][normal]' => '1 h', 'targets[first_reply][warn_before]' => '60 min'],
        'The warning would come before the time has begun',
    ],
    'words' => [['targets[first_reply][seconds][normal]' => 'soon'], 'Write “soon” as 45 min, 4 h, 1 h 30 or 2 d.'],
    'no time' => [['targets[first_reply][seconds][normal]' => '0 h'], 'Write “0 h” as 45 min'],
    'a hundred years' => [['targets[first_reply][seconds][normal]' => '36500 d'], 'Write “36500 d” as'],
    'a clock that never runs' => [
        ['targets[resolve][seconds][normal]' => '1 h', 'targets[resolve][runs_in][]' => null], 'Say when its clock runs',
    ],
]);

it('refuses a set that promises nothing, and one that asks for what nobody knows', function (): void {
    ($this->new)()->send($this, ['name' => 'Nothing'])->assertOk()->assertSee('Promise at least one thing');
    $this->post('/promises', [
        'name' => 'Odd', 'targets' => ['first_reply' => ['seconds' => ['normal' => '1 h']]],
        'condition' => ['head' => 'all', 'parts' => [['field' => 'waiting_hours', 'op' => 'more_than', 'value' => '3']]],
    ])->assertOk()->assertSee('waiting_hours');
    expect(PromiseSet::query()->count())->toBe(1);
});

it('leaves a set as it was, saved without touching anything', function (): void {
    $before = $this->everybody->refresh()->only(['condition', 'targets', 'version', 'name', 'place']);
    FilledForm::on($this->get("/promises/{$this->everybody->id}"), "/promises/{$this->everybody->id}")->send($this)->assertRedirect();
    expect($this->everybody->refresh()->only(array_keys($before)))->toEqual($before);
});

it('says before it is saved how many would change, and which would be missed', function (): void {
    $late = Mails::conversation(['From' => 'late@x.example', 'Subject' => 'Late one']);
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    Mails::conversation(['From' => 'new@x.example', 'Subject' => 'New one']);
    $asks = fn (string $hours) => $this->post('/promises/preview', [
        'set' => $this->everybody->id, 'name' => 'Everybody',
        'targets' => ['first_reply' => ['seconds' => ['normal' => $hours], 'calendar' => DB::table('calendars')->value('id')]],
    ])->assertOk();
    $asks('1 h')->assertSee('2 open conversations would fall due at another time.')->assertSee('It would be for 2 of them')
        ->assertSee('One would be missed at once:')->assertSee('Late one')->assertDontSee('New one');
    $asks('3 h')->assertSee('None would be missed by that.');
    $asks('4 h')->assertSee('Nothing that is open would fall due at another time.');
    $asks('never')->assertSee('Write “never” as');
    expect($late->refresh()->due_at?->format('H:i'))->toBe('13:00')->and($this->everybody->refresh()->version)->toBe(1);
});

it('looks through all that is open, some at a time, and goes on where it was', function (): void {
    foreach (['ann', 'bea', 'cid'] as $name) {
        Mails::conversation(['From' => "{$name}@x.example", 'Subject' => "Of {$name}"]);
    }
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    $ids = DB::table('conversations')->orderBy('id')->pluck('id');
    $form = [
        'set' => $this->everybody->id, 'name' => 'Everybody',
        'targets' => ['first_reply' => ['seconds' => ['normal' => '1 h'], 'calendar' => DB::table('calendars')->value('id')]],
    ];
    $soFar = ['upTo' => $ids[1], 'looked' => 2, 'fit' => 2, 'changes' => 2, 'missed' => 2, 'named' => [$ids[0], $ids[1]]];
    $this->post('/promises/preview', [...$form, 'so_far' => $soFar], ['HX-Request' => 'true'])->assertOk()
        ->assertSee('3 open conversations would fall due at another time.')->assertSee('3 would be missed at once:')
        ->assertSee('Of ann')->assertSee('Of cid')->assertDontSee('so far');
    // What a page hands back is no more than numbers.
    $odd = ['upTo' => 'x', 'named' => ['<b>', [1]], 'fit' => -3];
    $this->post('/promises/preview', [...$form, 'so_far' => $odd], ['HX-Request' => 'true'])->assertOk()
        ->assertSee('3 open conversations would fall due');
});

it('does what it says at the warning and at the miss, once, and shows that it did', function (): void {
    $form = FilledForm::on($this->get("/promises/{$this->everybody->id}")->assertOk(), "/promises/{$this->everybody->id}");
    $tell = ['do' => 'tell', 'value' => (string) $this->teammate('ruta')->id, 'text' => 'Look at it'];
    $urgent = ['do' => 'set_priority', 'value' => 'urgent'];
    $form->send($this, lines(['warning' => [$tell], 'miss' => [$urgent, ['do' => '']]]))
        ->assertRedirect('/promises');
    $this->get('/promises')->assertSee('About to be missed')->assertSee('set the priority');
    app(RunRules::class)->run();
    $conversation = Mails::conversation();
    $target = PromiseSet::query()->sole()->targets[0];
    foreach ([$conversation->refresh()->due_at?->subSeconds($target['warn_before']), $conversation->due_at] as $index => $at) {
        CarbonImmutable::setTestNow($at);
        foreach ([1, 2] as $again) {
            app(TellPromises::class)->tell();
            app(RunRules::class)->run();
        }
        expect(DB::table('news')->where('teammate_id', $this->teammate('ruta')->id)->where('kind', 'rule_tells')->count())->toBe(1)
            ->and($conversation->refresh()->priority->value)->toBe($index === 0 ? 'normal' : 'urgent');
    }
    $this->get("/conversations/{$conversation->id}")->assertSee('Everybody: missed');
});

it('changes what is done only with its set, and gives it up with it', function (): void {
    $urgent = ['do' => 'set_priority', 'value' => 'urgent'];
    $page = fn () => FilledForm::on($this->get("/promises/{$this->everybody->id}")->assertOk(), "/promises/{$this->everybody->id}");
    $page()->send($this, lines(['miss' => [$urgent]]));
    $rule = Rule::query()->where('promise_set_id', $this->everybody->id)->sole();
    expect($rule->on)->toBeTrue();
    $this->get("/rules/{$rule->id}")->assertRedirect("/promises/{$this->everybody->id}#promise-does");
    $this->get('/rules')->assertSee('Written with its');
    foreach (['switch', 'retire', 'place'] as $what) {
        $this->post("/rules/{$rule->id}/{$what}", ['place' => 1])->assertForbidden();
    }
    // Saved as it is: nothing new of it.
    $page()->send($this)->assertRedirect('/promises');
    expect(Rule::query()->where('promise_set_id', $this->everybody->id)->sole()->version)->toBe($rule->version);
    // What cannot be done is refused, and what was written stays; nothing of the set is kept.
    $page()->send($this, ['name' => 'All of them', ...lines(['miss' => [['do' => 'set_priority', 'value' => 'huge']]])])
        ->assertOk()->assertSee('role="alert"', false)->assertSee('value="All of them"', false);
    expect($this->everybody->refresh()->name)->toBe('Everybody');
    // A line more and a line less, with and without a script.
    $this->post('/promises/redraw', ['do' => 'add-action:warning'], ['HX-Request' => 'true', 'HX-Target' => 'promise-does'])
        ->assertOk()->assertSee('does[warning][0][do]', false)->assertDontSee('<html', false);
    $this->post('/promises/redraw', [
        'set' => $this->everybody->id, 'do' => 'remove-action:miss:0', 'does' => ['miss' => [$urgent]],
    ])->assertOk()->assertSee('<html', false)->assertDontSee('does[miss][0][do]', false);
    $page()->send($this, lines(['miss' => [['do' => '', 'value' => '']]]))->assertRedirect('/promises');
    expect($rule->refresh()->retired_at)->not->toBeNull()->and($rule->on)->toBeFalse();
    // Brought back by saying so again, as the same rule.
    $page()->send($this, lines(['miss' => [['do' => 'set_priority', 'value' => 'high']]]));
    expect($rule->refresh()->retired_at)->toBeNull()->and($rule->on)->toBeTrue();
});

it('reckons anew in the background, goes on after a worker died, and shows how far it is', function (): void {
    $conversation = Mails::conversation();
    Queue::fake();
    ($this->new)()->send($this, ['name' => 'Quick', 'targets[first_reply][seconds][normal]' => '1 h']);
    expect($conversation->refresh()->due_at?->format('H:i'))->toBe('13:00');
    $this->get('/promises')->assertSee('Reckoned anew: “Quick”: made.')->assertSee('0 of 1');
    // A second change before it began is done with it.
    app(SavePromiseSet::class)->put(PromiseSet::query()->where('name', 'Quick')->sole(), 1);
    $recount = Recount::query()->whereNull('finished_at')->sole();
    app()->call([new App\Promises\RecountPromises($recount->id), 'handle']);
    expect($conversation->refresh()->due_at?->format('H:i'))->toBe('10:00')->and($recount->refresh()->done)->toBe(1)
        ->and($recount->finished_at)->not->toBeNull();
    $this->get('/promises/progress')->assertDontSee('Reckoned anew');
});

it('counts what was kept and missed, with the time taken, by each side, and names the conversations behind a number', function (): void {
    $answer = function (string $from, string $name, string $as): void {
        CarbonImmutable::setTestNow("2026-11-23T{$from}:00Z");
        $conversation = Mails::conversation(['From' => "{$name}@x.example", 'Subject' => "Of {$name}"]);
        app(SetCategory::class)->set(
            $conversation, $name === 'ann' ? Category::query()->where('name', 'Late parcel')->sole() : null,
            Actor::teammate($this->teammate('mads'))
        );
        app(AssignConversation::class)->assign($conversation, $this->teammate($as), Actor::teammate($this->teammate('mads')));
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(['ann' => 10, 'bea' => 20, 'cid' => 300, 'dot' => 40][$name]));
        $this->answer($conversation, 'Yes.', $as);
    };
    $answer('08:00', 'ann', 'ilse');
    $answer('08:00', 'bea', 'ilse');
    $answer('08:00', 'cid', 'ruta');
    $answer('14:00', 'dot', 'ruta');
    CarbonImmutable::setTestNow('2026-11-23T15:00:00Z');
    Mails::conversation(['From' => 'still@x.example', 'Subject' => 'Still there']);
    $record = new PromiseRecord(
        $this->everybody, CarbonImmutable::parse('2026-11-23', 'UTC'), CarbonImmutable::parse('2026-11-30', 'UTC'), 'Europe/Copenhagen'
    );
    $lines = static fn (string $by): array => array_map(
        static fn ($line): array => [$line->label, $line->all, $line->kept, $line->missed, $line->running, $line->median, $line->ninetieth],
        $record->by($by)
    );
    expect($lines('kind'))->toBe([['First reply', 5, 3, 1, 1, 1200, 18_000]])
        ->and($lines('person'))->toBe([
            ['Ilse Norrby', 2, 2, 0, 0, 600, 1200], ['Ruta Kalnina', 2, 1, 1, 0, 2400, 18_000], ['nobody', 1, 0, 0, 1, null, null],
        ])
        ->and($lines('category'))->toBe([['no category', 4, 2, 1, 1, 2400, 18_000], ['Late parcel', 1, 1, 0, 0, 600, 600]])
        ->and($lines('channel')[0][0])->toBe('Email')->and($lines('week')[0][0])->toBe('23 Nov');
    $behind = "/promises/{$this->everybody->id}/record/behind?";
    $this->get($behind.'counted=missed&by=person&value='.$this->teammate('ruta')->id)->assertSee('Of cid')->assertDontSee('Of dot');
    $this->get($behind.'counted=running&by=category&value=')->assertSee('Still there')->assertDontSee('Of ann');
    $this->get($behind.'counted=everything&by=kind')->assertSessionHasErrors('counted');
    $csv = $this->get("/promises/{$this->everybody->id}/record.csv?by=person")->assertOk()->streamedContent();
    expect(explode("\n", trim($csv))[1])->toBe('"Ilse Norrby",2,2,0,0,0,0,600,1200');
    $this->get("/promises/{$this->everybody->id}/record?by=team")->assertOk()->assertSee('Care');
});

it('counts what runs past its time as missed already', function (): void {
    Mails::conversation();
    CarbonImmutable::setTestNow('2026-11-23T14:00:00Z');
    $record = new PromiseRecord($this->everybody, CarbonImmutable::now()->subDay(), CarbonImmutable::now()->addDay(), 'UTC');
    expect($record->by('kind')[0]->missed)->toBe(1)->and($record->by('kind')[0]->running)->toBe(0);
});

it('agrees another time on a page of the conversation, in the person’s own zone', function (): void {
    $conversation = Mails::conversation();
    $here = "/conversations/{$conversation->id}";
    $page = $this->get("{$here}/promises")->assertOk()->assertSee('By “Everybody”, which is for everybody.')->assertSee('0 min of 4 h');
    FilledForm::on($page, "{$here}/agreed")->send($this, ['at' => '2026-11-24T09:30', 'reason' => 'She is at work until then'])
        ->assertRedirect($here)->assertSessionHas('done', 'Agreed: Tue 09:30.');
    expect(AgreedTime::query()->sole()->at->toIso8601ZuluString())->toBe('2026-11-24T08:30:00Z');
    $this->get($here)->assertSee('agreed time')->assertSee('Agreed with the customer: Tue 09:30 by Mads Overgaard');
    $this->get("{$here}/promises")->assertSee('She is at work until then')->assertSee('Take it back');
    $this->post("{$here}/agreed", ['at' => '2026-11-23T09:30', 'reason' => 'Too late'])->assertSessionHas('problem');
    $this->post("{$here}/agreed", ['at' => 'soon', 'reason' => 'x'])->assertSessionHasErrors('at');
    $this->actingAs($this->teammate('femi'))->post("{$here}/agreed", ['at' => '2026-11-24T09:30', 'reason' => 'x'])->assertForbidden();
    $this->get("{$here}/promises")->assertOk()->assertDontSee('Agree it');
    $this->actingAs($this->teammate('ilse'))->post("{$here}/agreed/take-back")->assertSessionHas('done');
    expect($conversation->refresh()->due_at?->format('H:i'))->toBe('13:00');
});

it('reads times as people write them', function (string $written, ?int $minutes): void {
    expect(PromiseSetToSave::minutes($written))->toBe($minutes);
})->with([
    ['4', 240], ['4h', 240], ['4 hours', 240], ['0,5 h', 30], ['45 min', 45], ['45m', 45], ['1 h 30', 90], ['1:30', 90], ['1h30m', 90],
    ['2 d', 2880], ['2 days', 2880], ['', null], ['-4 h', null], ['4 h 75', null], ['four', null], ['1e9', null],
]);

it('has what was written read back as the same', function (): void {
    foreach ([60, 2700, 3600, 5400, 5460, 86_400, 100_800] as $seconds) {
        expect(PromiseSetToSave::minutes(PromiseSetToSave::written($seconds)))->toBe(intdiv($seconds, 60));
    }
    expect(PromiseSetToSave::written(null))->toBe('')->and(Promise::query()->count())->toBe(0);
});
