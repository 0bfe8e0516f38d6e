<?php

declare(strict_types=1);

use App\Channels\WebForm\FilledForm;
use App\Channels\WebForm\Form;
use App\Channels\WebForm\TakeForm;
use App\Checklists\Checklist;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Demo\DemoFields;
use App\Rules\ChangedBy;
use App\Rules\ReadyMade;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\RuleVersion;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->actingAs($this->teammate('mads'));
    $this->form = static fn (array $form = []): array => [
        'name' => 'Late parcels', 'way' => 'every', 'changed_by' => 'leads', 'events' => ['first_message'],
        'condition' => ['head' => 'all', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'late, delayed']]],
        'actions' => [['do' => 'set_priority', 'value' => 'high'], ['do' => 'add_tag', 'text' => 'late']],
        ...$form,
    ];
    $this->made = function (array $form = []): Rule {
        $this->post('/rules', ($this->form)($form))->assertRedirect();

        return Rule::query()->orderByDesc('id')->firstOrFail();
    };
});

it('keeps a rule, off, and shows what it would have done', function (): void {
    $fits = Mails::conversation(['Subject' => 'My parcel is late']);
    Mails::conversation(['Subject' => 'Something else', 'From' => 'a@b.example']);
    $before = [JournalEntry::query()->count(), $fits->refresh()->toArray()];
    $this->followingRedirects()->post('/rules', ($this->form)())->assertOk()
        ->assertSee('“Late parcels” is saved, and off.')
        ->assertSeeInOrder([
            'When', 'a customer writes for the first time', 'and', 'Subject has one of the words “late”, “delayed”', 'then',
            'set the priority to high; add the tag “late”',
        ])
        ->assertSee('1</b> of 2', false)->assertSee($fits->number())->assertSee('Subject has “late”');
    $rule = Rule::query()->sole();
    expect($rule->on)
        ->toBeFalse()
        ->and($rule->condition)
        ->toBe(['all' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => ['late', 'delayed']]]])
        // Trying it out changes nothing.
        ->and([JournalEntry::query()->count(), $fits->refresh()->toArray()])->toBe($before)->and(RuleRun::query()->count())->toBe(0);
});

it('says with which rules it would fight, and in which circles it would go', function (): void {
    Mails::conversation(['Subject' => 'My parcel is late']);
    $first = ($this->made)();
    $this->post("/rules/{$first->id}/switch", ['on' => 1]);
    $second = ($this->made)([
        'name' => 'Calm down', 'actions' => [['do' => 'set_priority', 'value' => 'low'], ['do' => 'remove_tag', 'text' => 'Late']],
    ]);
    $this->get("/rules/{$second->id}/try")
        ->assertSeeInOrder(['Fights', 'Late parcels', 'set the priority to', 'this rule'])
        ->assertSee('the tag “Late”, which one gives and the other takes away')
        ->assertSee('Other rules there');
    $this->post("/rules/{$second->id}/switch", ['on' => 1]);
    $this->get("/rules/{$first->id}/try")->assertSee('the other, further down');
    $third = ($this->made)([
        'name' => 'Itself', 'events' => ['tags_changed'], 'condition' => [], 'actions' => [['do' => 'add_tag', 'text' => 'more']],
    ]);
    $this->get("/rules/{$third->id}/try")->assertSee('“Itself” wakes itself');
});

it('says what cannot be kept, and loses nothing of it', function (array $form, string $why): void {
    $this->post('/rules', ($this->form)($form))->assertOk()->assertSee($why)->assertSee('value="Late parcels"', false);
    expect(Rule::query()->count())->toBe(0);
})->with([
    [['events' => []], 'Choose when it runs.'],
    [['actions' => [['do' => '']]], 'Choose what it does.'],
    [['actions' => [['do' => 'set_category', 'value' => '999']]], 'Set the category to: choose a category'],
    [['actions' => [['do' => 'add_tag', 'text' => '']]], 'Add the tag: write the tag'],
    [['actions' => [['do' => 'note', 'text' => 'Look {{ customer.nme }}']]], 'there is no placeholder {{ customer.nme }}'],
    [['actions' => [['do' => 'answer', 'value' => '7']]], 'Answer with: choose a template'],
    [['actions' => [['do' => 'set_status', 'value' => 'held']]], 'write who must act first'],
    [
        ['condition' => ['head' => 'all', 'parts' => [['field' => 'gone', 'op' => 'is', 'value' => 'x']]]],
        '“gone”, which is not there any more',
    ],
]);

it('shows beside the form what fits right now', function (): void {
    $fits = Mails::conversation(['Subject' => 'My parcel is late']);
    $redraw = fn (array $form) => $this->withHeader('HX-Request', 'true')->post('/rules/redraw', ($this->form)($form));
    $redraw([])
        ->assertOk()
        ->assertSee('One conversation of the latest one')
        ->assertSee("/conversations/{$fits->id}")
        ->assertSee('Subject has “late”');
    $redraw([
        'condition' => ['head' => 'none', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'late']]],
    ])->assertSee('Nothing of the latest one');
    $redraw(['do' => 'add-action'])->assertSee('actions[2][do]');
    $redraw(['do' => 'remove-action:0'])->assertDontSee('actions[1][do]');
    $redraw(['do' => 'add:'])->assertSee('condition[parts][1][field]');
});

it('lets leads and administrators change rules, or administrators alone, and everybody look', function (): void {
    $rule = ($this->made)(['changed_by' => 'administrators']);
    $this->post("/rules/{$rule->id}", ($this->form)())->assertForbidden();
    $this->post("/rules/{$rule->id}/switch", ['on' => 1])->assertForbidden();
    $this->post('/rules/limit', ['most' => 5])->assertForbidden();
    $this->actingAs($this->teammate('ilse'))->get('/rules')->assertOk()->assertSee('Late parcels')->assertDontSee('New rule');
    $this->get("/rules/{$rule->id}/runs")->assertOk();
    $this->get('/rules/new')->assertForbidden();
    $this->post('/rules', ($this->form)())->assertForbidden();
    $this->actingAs($this->teammate('corin'));
    $this->post("/rules/{$rule->id}/switch", ['on' => 1])->assertSessionHas('done', '“Late parcels” is on.');
    $this->post('/rules/limit', ['most' => 5])->assertSessionHas('done');
    $this->get('/rules')->assertSee('value="5"', false);
});

it('keeps each change as a version', function (): void {
    $rule = ($this->made)();
    $this->post("/rules/{$rule->id}", ($this->form)());
    $this->post("/rules/{$rule->id}", ($this->form)(['name' => 'Very late', 'actions' => [['do' => 'set_priority', 'value' => 'urgent']]]));
    $this->post("/rules/{$rule->id}/switch", ['on' => 1]);
    expect(RuleVersion::query()->orderBy('version')->pluck('what')->all())->toBe(['made', 'name, what it does', 'switched on']);
    $this->get("/rules/{$rule->id}/versions")->assertSeeInOrder([
        'switched on', 'set the priority to urgent', 'made', 'set the priority to high',
    ]);
});

it('puts rules in an order, retires them and brings them back off', function (): void {
    [$one, $two, $three] = [($this->made)(['name' => 'One']), ($this->made)(['name' => 'Two']), ($this->made)(['name' => 'Three'])];
    $this->post("/rules/{$three->id}/place", ['place' => 1])->assertSessionHas('done');
    $this->get('/rules')->assertSeeInOrder(['Three', 'One', 'Two']);
    $this->post("/rules/{$one->id}/switch", ['on' => 1]);
    $this->post("/rules/{$one->id}/retire")->assertSessionHas('done');
    $this->get('/rules')->assertSeeInOrder(['Three', 'Two', 'Retired, 1', 'One']);
    $this->post("/rules/{$one->id}/bring-back");
    expect($one->refresh()->on)->toBeFalse()->and($one->retired_at)->toBeNull()->and($two->refresh()->retired_at)->toBeNull();
});

it('does not let a template go that a rule answers with', function (): void {
    $template = app(SaveTemplate::class)->save(
        null,
        new TemplateToSave(
            'Receipt', '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => 'Hello', 'html' => null]], [], []
        ),
        $this->teammate('mads')
    );
    $rule = ($this->made)([
        'actions' => [['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id]],
    ]);
    $this->post("/rules/{$rule->id}/switch", ['on' => 1]);
    $this->post("/templates/{$template->id}/retire")->assertSessionHas(
        'problem', '“Receipt” is needed by the rule “Late parcels”. Change it or switch it off first.'
    );
    expect(Template::query()->sole()->retired_at)->toBeNull();
    app(SaveRule::class)->switch($rule, false, $this->teammate('mads'));
    $this->post("/templates/{$template->id}/retire")->assertSessionHas('done');
});

it('reads an old rule whose category has gone as it stands', function (): void {
    $category = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $rule = ($this->made)(['actions' => [['do' => 'set_category', 'value' => (string) $category->id]]]);
    $category->forceFill(['retired_at' => now()])->save();
    $this->get('/rules')->assertOk()->assertSee('choose a category; this one is not there any more');
    $this->get("/rules/{$rule->id}")->assertOk();
    expect(Conversation::query()->count())->toBe(0);
});

it('makes each ready-made rule, off, with the templates it answers with', function (): void {
    $keys = array_keys(app(ReadyMade::class)->all());
    foreach ($keys as $key) {
        $this->post("/rules/ready-made/{$key}")->assertRedirect()->assertSessionHas('done');
    }
    expect(Rule::query()->count())->toBe(count($keys))->and(Rule::query()->where('on', true)->count())->toBe(0)
        ->and(Template::query()->where('folder', 'Sent by rules')->count())->toBe(8);
    foreach (Rule::query()->get() as $rule) {
        $this->get("/rules/{$rule->id}")->assertOk()->assertDontSee('not there any more');
        $this->get("/rules/{$rule->id}/try")->assertOk();
    }
    $this->post('/rules/ready-made/none')->assertSessionHas('problem');
});

it('asks the choice of the form whether it is broken, and answers with a request for a photo', function (): void {
    app(RunRules::class)->run();
    $mads = $this->teammate('mads');
    expect(app(ReadyMade::class)->make('form-choice', $mads)->condition['all'][1]['field'])->toBe('message_text');
    app(DemoFields::class)->load();
    $rule = app(ReadyMade::class)->make('form-choice', $mads);
    expect($rule->condition['all'][1])->toBe(['field' => 'own.conversation.what_happened', 'op' => 'in', 'value' => [DemoFields::BROKE]]);
    app(SaveRule::class)->switch($rule, true, $mads);
    $form = Form::named('contact');
    $take = static fn (string $choice, string $email): Conversation => Conversation::query()->findOrFail(
        (int) substr(
            app(TakeForm::class)->take(
                $form,
                FilledForm::from(['name' => 'Odile Fabre', 'email' => $email, 'text' => 'Look at this.', 'own' => [$choice]], $form),
                [], $email, now()->getTimestamp() - 60, false
            )->number,
            2
        )
    );
    [$broke, $missing] = [$take(DemoFields::BROKE, 'odile@fabre.example'), $take('A part is missing', 'eva@sturm.example')];
    app(RunRules::class)->run();
    expect($broke->refresh()->priority)->toBe(Priority::High)->and($missing->refresh()->priority)->toBe(Priority::Normal)
        ->and($broke->messages()->where('direction', Message::OUT)->whereNotNull('teammate_id')->sole()->text)
        ->toContain('Could you send us a photo')
        ->and($missing->messages()->where('direction', Message::OUT)->whereNotNull('teammate_id')->count())->toBe(0);
});

it('reads each kind of thing that rules name once, however many rules there are', function (): void {
    $this->actingAs($this->teammate('mads'));
    $queries = function (): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->get('/rules')->assertOk();
        DB::disableQueryLog();

        return count(DB::getQueryLog());
    };
    $make = function (int $count): void {
        foreach (range(1, $count) as $number) {
            app(SaveRule::class)->save(null, new RuleToSave("Rule {$number}", Way::Every, [RuleEvent::FirstMessage], [
                'all' => [['field' => 'category', 'op' => 'is_empty'], ['field' => 'order_country', 'op' => 'in', 'value' => ['DK']]],
            ], array_map(RuleAction::of(...), [
                [
                    'do' => 'set_category', 'value' => (string) Category::inUse()->value('id'),
                ], [
                    'do' => 'assign_person', 'value' => (string) test()->teammate('ruta')->id,
                ], ['do' => 'assign_team', 'value' => (string) Team::query()->value('id')],
                ['do' => 'checklist', 'value' => (string) Checklist::inUse()->value('id')], [
                    'do' => 'set_status', 'value' => 'resolved:'.Outcome::inUse()->value('id'),
                ],
            ]), '', ChangedBy::Leads), test()->teammate('mads'));
        }
    };
    $make(2);
    $queries();
    $few = $queries();
    $make(20);
    expect($queries())->toBe($few);
});

it('copies a rule, off and last, with a history of its own', function (): void {
    $rule = ($this->made)();
    $this->post("/rules/{$rule->id}/switch", ['on' => 1]);
    $this->get("/rules/{$rule->id}")->assertSee('Copy this rule');
    $this->post("/rules/{$rule->id}/copy")->assertRedirect();
    $copy = Rule::query()->orderByDesc('id')->firstOrFail();
    expect($copy->name)->toBe('Copy of Late parcels')->and($copy->on)->toBeFalse()->and($copy->version)->toBe(1)
        ->and($copy->condition)->toEqual($rule->condition)->and($copy->actions)->toEqual($rule->actions)
        ->and($copy->place)->toBeGreaterThan($rule->place)->and($rule->refresh()->on)->toBeTrue();
    $this->get("/rules/{$copy->id}/versions")->assertSee('made')->assertSee('Mads Overgaard');
});

it('goes back to an earlier version, on as it is, and not to what cannot be done any more', function (): void {
    $rule = ($this->made)();
    $this->post("/rules/{$rule->id}/switch", ['on' => 1]);
    $this->post("/rules/{$rule->id}", ($this->form)(['name' => 'Very late', 'actions' => [['do' => 'set_priority', 'value' => 'urgent']]]));
    $this->get("/rules/{$rule->id}/versions")->assertSee('Make it so again');
    $this->post("/rules/{$rule->id}/versions/1")->assertSessionHas('done', 'As it was in version 1.');
    $rule->refresh();
    expect($rule->name)->toBe('Late parcels')->and($rule->on)->toBeTrue()->and($rule->actions[0]['value'])->toBe('high')
        ->and($rule->version)->toBe(4);
    // What it named is gone meanwhile.
    $content = (array) DB::table('rule_versions')->where('rule_id', $rule->id)->where('version', 1)->first();
    $gone = [...json_decode((string) $content['content'], true), 'condition' => ['all' => [
        ['field' => 'own.conversation.gone', 'op' => 'is_empty'],
    ]]];
    DB::table('rule_versions')->where('rule_id', $rule->id)->where('version', 1)->update(['content' => json_encode($gone)]);
    $this->post("/rules/{$rule->id}/versions/1")->assertSessionHas('problem');
    expect($rule->refresh()->version)->toBe(4);
    $this->post("/rules/{$rule->id}/versions/99")->assertNotFound();
    $rule->forceFill(['changed_by' => 'administrators'])->save();
    $this->post("/rules/{$rule->id}/versions/2")->assertForbidden();
    $this->post("/rules/{$rule->id}/copy")->assertForbidden();
});

it('says to the later of two what the other changed in a rule, and keeps both', function (): void {
    $rule = ($this->made)();
    $this->get("/rules/{$rule->id}")->assertSee('name="seen" value="1"', false);
    $this->actingAs($this->teammate('corin'))->post("/rules/{$rule->id}", ($this->form)([
        'seen' => '1', 'actions' => [['do' => 'set_priority', 'value' => 'urgent']],
    ]))->assertRedirect('/rules');
    $mine = ($this->form)(['seen' => '1', 'name' => 'Mine']);
    $this->actingAs($this->teammate('mads'))->post("/rules/{$rule->id}", $mine)
        ->assertSee('Corin Hale has changed it meanwhile (')->assertSee('As it stands now: “Late parcels”')
        ->assertSee('set the priority to urgent')->assertSee('value="Mine"', false)->assertSee('name="seen" value="2"', false);
    expect($rule->refresh()->version)->toBe(2)->and($rule->name)->toBe('Late parcels');
    // A line more in the form does not make it a form of the newest version.
    $this->post('/rules/redraw', [...$mine, 'rule' => $rule->id, 'do' => ''])->assertSee('name="seen" value="1"', false);
    $this->post("/rules/{$rule->id}", [...$mine, 'seen' => '2'])->assertRedirect('/rules');
    expect($rule->refresh()->name)->toBe('Mine')->and($rule->version)->toBe(3);
});
