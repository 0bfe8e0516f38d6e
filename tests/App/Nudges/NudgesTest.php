<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Notifications\News;
use App\Nudges\Nudge;
use App\Nudges\NudgePlan;
use App\Nudges\SendNudges;
use App\Nudges\StartNudge;
use App\Rules\ChangedBy;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Sorting\Outcome;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Tests\App\FilledForm;
use Tests\App\Mails;

function nudgeTemplate(string $name, string $text, SharedWith $with = SharedWith::Everybody): int
{
    $languages = ['en' => ['subject' => null, 'text' => $text, 'html' => null]];

    return app(SaveTemplate::class)
        ->save(null, new TemplateToSave($name, '', $with, null, $languages, [], []), test()->teammate('mads'))
        ->id;
}

/**
 * @param  array<string, mixed>  $differs
 */
function nudgePlan(array $differs = []): NudgePlan
{
    $plan = (new NudgePlan)->forceFill([
        'name' => 'Photo asked for', 'steps' => [
            ['days' => 2, 'template' => nudgeTemplate('Ask again', 'Could you still send it?')],
        ], 'end_days' => 3,
        'end_template_id' => null, 'end_outcome_id' => Outcome::query()->where('name', 'No answer')->sole()->id, ...$differs,
    ]);
    $plan->save();

    return $plan->refresh();
}

/**
 * A form of a plan, as it is sent.
 *
 * @param  array<string, mixed>  $differs
 * @return array<string, mixed>
 */
function planForm(array $differs = []): array
{
    return [
        'name' => 'Photo', 'steps' => [
            ['days' => '2', 'template' => (string) Template::query()->value('id')], ['days' => '', 'template' => ''],
        ],
        'end_days' => '3', 'end_template' => '', 'end_outcome' => (string) Outcome::query()
            ->where('name', 'No answer')
            ->value('id'), ...$differs,
    ];
}

function waitingConversation(): Conversation
{
    $conversation = Mails::conversation();
    test()->answer($conversation, 'Could you send a photo of the frame?');

    return $conversation->refresh();
}

function begun(Conversation $conversation, NudgePlan $plan, string $as = 'ilse'): Nudge
{
    $teammate = test()->teammate($as);

    return app(StartNudge::class)->start($conversation, $plan, $teammate, Actor::teammate($teammate));
}

/**
 * Lets the next reminder, or the end, come due.
 */
function remindWhenDue(Nudge $nudge): void
{
    CarbonImmutable::setTestNow($nudge->refresh()->next_at);
    app(SendNudges::class)->run();
}

/**
 * @return list<string>
 */
function automaticTexts(Conversation $conversation): array
{
    return Message::query()->where('conversation_id', $conversation->id)->where('automatic', true)->orderBy('id')->pluck('text')->all();
}

beforeEach(function (): void {
    // Monday, 11:00 in the store.
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    nudgeTemplate('Reminder', 'Did you see our question?');
});

describe('the plans', function (): void {
    beforeEach(fn () => $this->actingAs($this->teammate('mads')));

    it('keeps a plan, shows it as a sentence, and leaves out lines nobody wrote', function (): void {
        $this->post('/nudges', planForm())->assertRedirect('/nudges')
            ->assertSessionHas('done', '“Photo” is saved. A reminder after 2 working days, then resolved after 3 working days.');
        $plan = NudgePlan::query()->sole();
        expect($plan->steps)->toBe([['days' => 2, 'template' => Template::query()->sole()->id]])->and($plan->end_template_id)->toBeNull();
        $form = FilledForm::on($this->get('/nudges'), "/nudges/{$plan->id}");
        $form->send($this, ['end_days' => '1', 'steps[1][days]' => '4', 'steps[1][template]' => (string) Template::query()->sole()->id])
            ->assertSessionHas(
                'done',
                '“Photo” is saved. A reminder after 2 working days, a reminder after 4 working days, then resolved after one working day.'
            );
    });

    it('refuses a reminder of which a half is missing, and gives the form back as it was written', function (
        array $half, string $says
    ): void {
        $written = planForm([
            'name' => 'Half of it', 'end_days' => '7',
            'steps' => [['days' => '2', 'template' => (string) Template::query()->value('id')], $half],
        ]);
        $other = nudgePlan();
        $this->from('/nudges')->post('/nudges', $written)->assertRedirect('/nudges')->assertSessionHasErrors();
        $page = $this->get('/nudges')->assertSee($says);
        expect(NudgePlan::query()->count())->toBe(1);
        $again = FilledForm::on($page, '/nudges')->values();
        expect($again['name'])->toBe('Half of it')->and($again['end_days'])->toBe('7')->and($again['steps'][1])->toBe($half)
            ->and(FilledForm::on($page, "/nudges/{$other->id}")->values()['name'])->toBe('Photo asked for');
    })->with([
        'without a template' => [['days' => '5', 'template' => ''], 'Choose the template of reminder 2, or take its working days away.'],
    ]);

    it('refuses a template without its days', function (): void {
        $this->post('/nudges', planForm(['steps' => [['days' => '', 'template' => (string) Template::query()->value('id')]]]))
            ->assertSessionHasErrors(['steps.0.days' => 'Say after how many working days reminder 1 is sent, or take its template away.']);
        expect(NudgePlan::query()->exists())->toBeFalse();
    });

    it('refuses what is out of bounds', function (array $differs, string $field): void {
        $this->post('/nudges', planForm($differs))->assertSessionHasErrors($field);
        expect(NudgePlan::query()->exists())->toBeFalse();
    })->with([
        'no name' => [['name' => ''], 'name'],
        'a name too long' => [['name' => str_repeat('n', 121)], 'name'],
        'no days' => [['end_days' => '0'], 'end_days'],
        'a year of working days' => [['end_days' => '251'], 'end_days'],
        'days as a word' => [['end_days' => 'three'], 'end_days'],
        'no steps' => [['steps' => null], 'steps'],
        'five reminders' => [['steps' => array_fill(0, 5, ['days' => '1', 'template' => '1'])], 'steps'],
        'an outcome that is not there' => [['end_outcome' => '99999'], 'end_outcome'],
        'a template that is not there' => [['end_template' => '99999'], 'end_template'],
        'steps that are no lines' => [['steps' => 'all'], 'steps'],
    ]);

    it('refuses a second plan of one name, also where the first is retired', function (): void {
        $plan = nudgePlan(['name' => 'Photo']);
        $this->post("/nudges/{$plan->id}/retire");
        $this->post('/nudges', planForm())->assertSessionHasErrors([
            'name' => 'There is a nudge plan “Photo” already, in use or retired. Choose another name.',
        ]);
        $this->post("/nudges/{$plan->id}/bring-back")->assertSessionHas('done', '“Photo” can be started again.');
        $this->post("/nudges/{$plan->id}", planForm())->assertSessionHas('done');
    });

    it('offers neither private templates nor retired ones, nor retired outcomes', function (): void {
        $private = nudgeTemplate('Only mine', 'Psst', SharedWith::Nobody);
        $retired = nudgeTemplate('Old words', 'As we said');
        $this->post("/templates/{$retired}/retire")->assertSessionHas('done');
        $outcome = Outcome::query()->where('name', 'Duplicate')->sole();
        $this->post("/sorting/outcomes/{$outcome->id}/retire")->assertSessionHas('done');
        $this->get('/nudges')
            ->assertOk()
            ->assertSee('Reminder')
            ->assertDontSee('Only mine')
            ->assertDontSee('Old words')
            ->assertDontSee('>Duplicate<', false);
        $this->post('/nudges', planForm(['end_template' => (string) $private]))->assertSessionHasErrors('end_template');
        $this->post(
            '/nudges', planForm(['steps' => [['days' => '1', 'template' => (string) $retired]]])
        )->assertSessionHasErrors('steps.0.template');
        $this->post('/nudges', planForm(['end_outcome' => (string) $outcome->id]))->assertSessionHasErrors('end_outcome');
    });

    it('keeps an outcome retired since, and a template made private since, where the plan is saved untouched', function (): void {
        $outcome = Outcome::query()->where('name', 'Duplicate')->sole();
        $plan = nudgePlan(['end_outcome_id' => $outcome->id]);
        $this->post("/sorting/outcomes/{$outcome->id}/retire")
            ->assertSessionHas('problem', "“Duplicate” is needed by the nudge plan “{$plan->name}”. Change it or switch it off first.");
        $outcome->forceFill(['retired_at' => now()])->save();
        Template::query()->whereKey($plan->steps[0]['template'])->update(['shared_with' => SharedWith::Nobody]);
        $page = $this->get('/nudges')->assertSee('Duplicate (not offered any more)')->assertSee('Ask again (not offered any more)');
        FilledForm::on($page, "/nudges/{$plan->id}")->send($this)->assertSessionHas('done');
        expect($plan->refresh()->end_outcome_id)->toBe($outcome->id)->and($plan->steps)->toHaveCount(1)
            ->and($plan->steps[0]['template'])->toBe(Template::query()->where('name', 'Ask again')->sole()->id);
    });

    it('keeps a template that a plan writes with from being retired, and a plan that a rule starts', function (): void {
        $plan = nudgePlan();
        $this->post("/templates/{$plan->steps[0]['template']}/retire")->assertSessionHas('problem');
        expect(Template::query()->findOrFail($plan->steps[0]['template'])->retired_at)->toBeNull();
        $begins = RuleAction::of([
            'do' => 'nudge', 'value' => (string) $plan->id, 'as' => (string) $this->teammate('ilse')->id,
        ]);
        $open = ['field' => 'state', 'op' => 'in', 'value' => ['open']];
        $rule = app(SaveRule::class)->save(
            null, new RuleToSave('Photos', Way::Every, [RuleEvent::Noted], $open, [$begins], '', ChangedBy::Leads, null),
            $this->teammate('mads')
        );
        app(SaveRule::class)->switch($rule, true, $this->teammate('mads'));
        $this->post("/nudges/{$plan->id}/retire")
            ->assertSessionHas('problem', '“Photo asked for” is needed by the rule “Photos”. Change it or switch it off first.');
        expect($plan->refresh()->retired_at)->toBeNull();
        app(SaveRule::class)->switch($rule->refresh(), false, $this->teammate('mads'));
        $this->post("/nudges/{$plan->id}/retire")->assertSessionHas('done');
    });

    it('lets others read them, and change nothing', function (): void {
        $plan = nudgePlan();
        $page = $this->actingAs($this->teammate('ilse'))
            ->get('/nudges')
            ->assertOk()
            ->assertSee('Photo asked for')
            ->assertDontSee('Make it')
            ->assertDontSee('Retire');
        expect(array_keys(FilledForm::on($page, "/nudges/{$plan->id}")->values()))->not->toContain('name')->not->toContain('steps');
        $this->post("/nudges/{$plan->id}", planForm())->assertForbidden();
        $this->post("/nudges/{$plan->id}/retire")->assertForbidden();
        $this->post("/nudges/{$plan->id}/bring-back")->assertForbidden();
        expect($plan->refresh()->name)->toBe('Photo asked for');
    });
});

describe('one at work', function (): void {
    beforeEach(fn () => $this->actingAs($this->teammate('ilse')));

    it('is started by hand only where we wait for the customer, and says when it reminds', function (): void {
        $plan = nudgePlan();
        $conversation = Mails::conversation();
        $this->post("/conversations/{$conversation->id}/nudges", ['plan' => $plan->id])
            ->assertSessionHas('problem', 'Only what waits for its customer can be reminded of. Answer it first.');
        expect(Nudge::query()->exists())->toBeFalse();
        $this->answer($conversation, 'Could you send a photo?');
        $this->post("/conversations/{$conversation->id}/nudges", ['plan' => $plan->id])
            ->assertSessionHas('done', '“Photo asked for” is started: the first reminder goes out Wed 11:00, unless they answer first.');
        $this->get("/conversations/{$conversation->id}")->assertSee('reminder 1 of 1, unless they answer first');
    });

    it('is not started from a plan that is retired or not there', function (): void {
        $plan = nudgePlan(['retired_at' => now()]);
        $conversation = waitingConversation();
        foreach ([$plan->id, 99999, '', 'all'] as $chosen) {
            $this->post("/conversations/{$conversation->id}/nudges", ['plan' => $chosen]);
        }
        expect(Nudge::query()->exists())->toBeFalse();
    });

    it('takes the place of the one before it', function (): void {
        $conversation = waitingConversation();
        $first = begun($conversation, nudgePlan());
        $second = begun(
            $conversation,
            nudgePlan(['name' => 'Another', 'steps' => [['days' => 1, 'template' => nudgeTemplate('Short', 'Hello?')]]])
        );
        expect($first->refresh()->state)->toBe(Nudge::CALLED_OFF)->and($first->reason)->toBe('another was started');
        remindWhenDue($second);
        CarbonImmutable::setTestNow($first->next_at);
        app(SendNudges::class)->run();
        expect(automaticTexts($conversation))->toBe(['Hello?']);
    });

    it('is called off once, however often the button is pressed', function (): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        foreach ([1, 2] as $press) {
            $this->post("/nudges/running/{$nudge->id}/call-off")->assertSessionHas('done', 'No more reminders.');
        }
        expect(JournalEntry::query()->where('kind', 'nudge_called_off')->sole()->why)->toBe('by Ilse Norrby');
        remindWhenDue($nudge);
        expect(automaticTexts($conversation))->toBe([]);
    });

    it('reminds once, when the working days have passed and not before, however often it is looked at', function (): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        // Two working days after Monday, 11:00.
        expect($nudge->next_at->toIso8601ZuluString())->toBe('2026-11-25T10:00:00Z');
        CarbonImmutable::setTestNow('2026-11-25T09:59:59Z');
        app(SendNudges::class)->run();
        expect(automaticTexts($conversation))->toBe([]);
        remindWhenDue($nudge);
        app(SendNudges::class)->run();
        expect(automaticTexts($conversation))->toBe(['Could you still send it?'])
            ->and($nudge->refresh()->sent)->toBe(1)
            // Three working days later are Monday: nobody works on Sunday, and Saturday is one of the days the store is open.
            ->and($nudge->next_at->greaterThan(CarbonImmutable::parse('2026-11-27T23:00:00Z')))->toBeTrue();
    });

    it('ends without a word of its own with the outcome of the plan, by the application', function (): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        remindWhenDue($nudge);
        remindWhenDue($nudge);
        expect($nudge->refresh()->state)->toBe(Nudge::DONE)
            ->and($conversation->refresh()->state)->toBe(ConversationState::Resolved)
            ->and($conversation->outcome?->name)->toBe('No answer')
            ->and(automaticTexts($conversation))->toHaveCount(1)
            ->and(
                JournalEntry::query()
                    ->where('conversation_id', $conversation->id)
                    ->where('kind', 'state_changed')
                    ->latest('id')
                    ->first()
                    ?->teammate_id
            )
            ->toBeNull();
    });

    it('goes on to its end after its plan was retired, with what the plan says by then', function (): void {
        $conversation = waitingConversation();
        $plan = nudgePlan();
        $nudge = begun($conversation, $plan);
        $plan->forceFill(['retired_at' => now(), 'end_template_id' => nudgeTemplate('Last word', 'We close it now.')])->save();
        remindWhenDue($nudge);
        remindWhenDue($nudge);
        expect(automaticTexts($conversation))->toBe(['Could you still send it?', 'We close it now.'])
            ->and($conversation->refresh()->state)->toBe(ConversationState::Resolved);
    });

    it('ends at once where the plan has been made shorter than what was sent', function (): void {
        $conversation = waitingConversation();
        $plan = nudgePlan([
            'steps' => [
                ['days' => 1, 'template' => nudgeTemplate('One', 'First')],
                ['days' => 1, 'template' => nudgeTemplate('Two', 'Second')],
            ],
        ]);
        $nudge = begun($conversation, $plan);
        remindWhenDue($nudge);
        remindWhenDue($nudge);
        $plan->forceFill(['steps' => [$plan->steps[0]]])->save();
        remindWhenDue($nudge);
        expect(automaticTexts($conversation))->toBe(['First', 'Second'])->and($nudge->refresh()->state)->toBe(Nudge::DONE);
    });

    it('never writes what has a gap: it stops, and tells the owner, or the leads where there is none', function (bool $owned): void {
        $conversation = waitingConversation();
        $owned
            ? app(AssignConversation::class)->assign($conversation, $this->teammate('ruta'), Actor::teammate($this->teammate('ruta')))
            : $conversation->forceFill(['owner_id' => null])->save();
        $nudge = begun(
            $conversation->refresh(),
            nudgePlan(['steps' => [['days' => 1, 'template' => nudgeTemplate('Parcel', 'Has {{ parcel.number }} come?')]]])
        );
        remindWhenDue($nudge);
        app(SendNudges::class)->run();
        expect(automaticTexts($conversation))->toBe([])
            ->and($nudge->refresh()->state)->toBe(Nudge::CALLED_OFF)
            ->and($nudge->reason)->toContain('“Parcel” needs {{ parcel.number }}')
            ->and(News::query()->where('source', "nudge-{$nudge->id}")->sole()->teammate_id)
            ->toBe($this->teammate($owned ? 'ruta' : 'mads')->id)
            ->and($conversation->refresh()->state)->toBe(ConversationState::Waiting);
    })->with(['with an owner' => true, 'without one' => false]);

    it('stops where everybody who could write has left', function (): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        $conversation->forceFill(['owner_id' => null])->save();
        App\Team\Teammate::query()->update(['may_sign_in' => false]);
        remindWhenDue($nudge);
        expect($nudge->refresh()->state)
            ->toBe(Nudge::CALLED_OFF)
            ->and($nudge->reason)
            ->toContain('has left the team')
            ->and(automaticTexts($conversation))
            ->toBe([]);
    });

    it('is called off by a state that does not wait, with the reason', function (string $state, string $reason): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        $changes = app(ChangeState::class);
        $by = Actor::teammate($this->teammate('ilse'));
        match ($state) {
            'held' => $this->post(
                "/conversations/{$conversation->id}/hold", ['reason' => 'Carrier', 'until' => 'customer']
            )->assertSessionHas('done'),
            'resolved' => $changes->resolveUnchecked($conversation, $by, Outcome::query()->firstOrFail()),
        };
        app(SendNudges::class)->run();
        expect($nudge->refresh()->state)->toBe(Nudge::CALLED_OFF)->and($nudge->reason)->toBe($reason);
    })->with([['held', 'it is held now'], ['resolved', 'it is resolved now']]);

    it('is not there for those who may not answer', function (): void {
        $conversation = waitingConversation();
        $nudge = begun($conversation, nudgePlan());
        $this->post('/sign-out');
        $this->post("/nudges/running/{$nudge->id}/call-off")->assertRedirect('/sign-in');
        $this->post("/conversations/{$conversation->id}/nudges", ['plan' => $nudge->nudge_plan_id])->assertRedirect('/sign-in');
        expect($nudge->refresh()->state)->toBe(Nudge::RUNNING);
    });

    it('holds none of the others up where one fails', function (): void {
        $broken = begun(waitingConversation(), nudgePlan());
        $good = Mails::conversation(['From' => 'nora@x.example', 'Message-ID' => '<good@x.example>', 'Subject' => 'Kite line']);
        $this->answer($good, 'Which line is it?');
        $nudge = begun($good->refresh(), nudgePlan(['name' => 'Good']));
        $broken->plan->forceFill(['steps' => [['days' => 2, 'template' => 99999]]])->save();
        remindWhenDue($nudge);
        expect(automaticTexts($good))->toBe(['Could you still send it?'])
            ->and($broken->refresh()->state)->toBe(Nudge::CALLED_OFF)
            ->and($broken->reason)->toBe('a template of the nudge plan “Photo asked for” is not there any more');
    });
});

it('reminds while the store is open, also where the worker was late', function (): void {
    // Friday evening, an hour after closing.
    CarbonImmutable::setTestNow('2026-11-27T18:30:00Z');
    $conversation = waitingConversation();
    $nudge = app(StartNudge::class)->start($conversation, nudgePlan(), $this->teammate('mads'), Actor::teammate($this->teammate('mads')));
    $opens = $nudge->next_at->setTimezone('Europe/Copenhagen');
    expect($opens->format('Y-m-d'))->toBe('2026-12-01')->and($opens->format('H:i'))->toBe('09:00');
    // The worker was away that day, and comes back at night.
    CarbonImmutable::setTestNow('2026-12-01T22:00:00Z');
    app(SendNudges::class)->run();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(1)
        ->and($nudge->refresh()->next_at->toIso8601ZuluString())->toBe('2026-12-02T08:00:00Z')->and($nudge->sent)->toBe(0);
    CarbonImmutable::setTestNow('2026-12-02T08:00:00Z');
    app(SendNudges::class)->run();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(2)->and($nudge->refresh()->sent)->toBe(1);
});

it('says in which languages a plan has no text', function (): void {
    nudgePlan();
    $this->actingAs($this->teammate('mads'))->get('/nudges')->assertDontSee('reminded in another language');
    app(SaveTemplate::class)->save(null, new TemplateToSave('Other', '', SharedWith::Everybody, null, [
        'en' => ['subject' => null, 'text' => 'Hello', 'html' => null], 'da' => ['subject' => null, 'text' => 'Hej', 'html' => null],
    ], [], []), $this->teammate('mads'));
    $this->get('/nudges')->assertSee('Not all of its texts are there in Danish')->assertDontSee('in English');
});
