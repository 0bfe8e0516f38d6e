<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Channel;
use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\SetCategory;
use App\Routing\RoutingPicture;
use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Sorting\BringsAlong;
use App\Sorting\Category;
use App\Team\Team;
use Cairnfield\Core\Assigning\Method;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\FilledForm;
use Tests\App\Mails;

/*
 * Where what comes in goes: by account, rule and category; drawn, and tried without keeping anything.
 */
beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->actingAs($this->teammate('mads'));
    $this->bench = Team::query()->where('name', 'Returns bench')->sole();
    $this->care = Account::query()->where('address', 'care@brindle.example')->sole();
    $this->late = Category::query()->where('name', 'Late parcel')->sole();
    $this->rule = function (array $condition, array ...$actions): Rule {
        $rule = app(SaveRule::class)->save(null, new RuleToSave(
            'Sorts parcels', Way::Every, [RuleEvent::FirstMessage], ['all' => [$condition]], array_map(RuleAction::of(...), $actions), '',
            ChangedBy::Leads
        ), $this->teammate('mads'));
        app(SaveRule::class)->switch($rule, true, $this->teammate('mads'));

        return $rule;
    };
    $this->sort = fn (Conversation $conversation) => app(SetCategory::class)->set($conversation, $this->late, Actor::application());
});

it('begins a new matter as its category says, or the one above it', function (): void {
    $checklist = Checklist::query()->where('name', 'Lost parcel')->sole();
    $this->bench->forceFill(['turns' => Method::Even])->save();
    $this->late->parent->forceFill([
        'brings_team_id' => $this->bench->id, 'brings_checklist_id' => $checklist->id, 'gives_out' => true,
    ])->save();
    $this->late->forceFill(['brings_priority' => Priority::High])->save();
    $conversation = Mails::conversation();
    ($this->sort)($conversation);
    expect($conversation->refresh()->team?->name)->toBe('Returns bench')->and($conversation->owner?->firstName())->toBe('Femi')
        ->and($conversation->priority)->toBe(Priority::High)
        ->and(StartedChecklist::query()->sole()->name)->toBe('Lost parcel');
    $this->get("/conversations/{$conversation->id}")->assertSee('“Late parcel” brings it along');
    // Sorted anew later, nothing is begun again.
    $this->bench->teammates()->sync([]);
    app(SetCategory::class)->set($conversation, Category::query()->where('name', 'Lost parcel')->sole(), Actor::application());
    expect($conversation->refresh()->owner?->firstName())->toBe('Femi');
});

it('leaves what a person has said already, and what has been answered', function (): void {
    $this->late->forceFill(['brings_team_id' => $this->bench->id, 'brings_priority' => Priority::Low, 'gives_out' => true])->save();
    $taken = Mails::conversation(['From' => 'a@x.example']);
    $taken->forceFill(['owner_id' => $this->teammate('ilse')->id, 'priority' => Priority::Urgent])->save();
    ($this->sort)($taken);
    $answered = Mails::conversation(['From' => 'b@x.example']);
    $this->answer($answered, 'Yes.');
    ($this->sort)($answered);
    expect($taken->refresh()->team?->name)->toBe('Care')->and($taken->priority)->toBe(Priority::Urgent)
        ->and($answered->refresh()->team?->name)->toBe('Care')->and($answered->priority)->toBe(Priority::Normal);
});

it('says itself what stands in place of the one above, also that nothing is given out', function (): void {
    $this->late->parent->forceFill(['gives_out' => true, 'receipt' => 'From above'])->save();
    expect(BringsAlong::of($this->late->refresh())->givesOut)->toBeTrue()->and(BringsAlong::of($this->late)->receipt)->toBe('From above');
    $this->late->forceFill(['gives_out' => false])->save();
    expect(BringsAlong::of($this->late->refresh())->givesOut)->toBeFalse()->and(BringsAlong::of(null)->isNothing())->toBeTrue();
});

it('begins what was chosen in a form so, too, with the category’s own receipt', function (): void {
    $this->late->forceFill([
        'brings_team_id' => $this->bench->id, 'receipt' => 'A parcel that is late is looked for within a day.',
    ])->save();
    $form = Account::query()->where('channel', Channel::WebForm)->sole();
    $page = $this->get("/forms/{$form->address}")->assertOk();
    $this->travel(10)->seconds();
    FilledForm::on($page, "/forms/{$form->address}")->send($this, [
        'name' => 'Ann', 'email' => 'ann@post.example', 'category' => (string) $this->late->id, 'text' => 'Where is it?',
    ]);
    expect(Conversation::query()->sole()->team?->name)->toBe('Returns bench')
        ->and(Message::query()->where('direction', 'out')->sole()->text)->toContain('looked for within a day');
});

it('tries a message: where it would go and why, and keeps nothing of it', function (): void {
    ($this->rule)(
        ['field' => 'message_text', 'op' => 'has_any_word', 'value' => ['parcel']],
        ['do' => 'set_category', 'value' => (string) $this->late->id],
        ['do' => 'assign_person', 'value' => 'turn']
    );
    $tables = [
        'conversations', 'messages', 'journal', 'customers', 'handles', 'promises', 'rule_runs', 'rule_looks', 'news', 'team_teammate',
    ];
    $counts = static fn (): array => array_map(static fn (string $table): array => DB::table($table)->get()->all(), $tables);
    $before = $counts();
    $tried = $this->post('/routing', [
        'account' => $this->care->id, 'from' => 'ann@x.example', 'subject' => 'Late', 'text' => 'My parcel has not come.',
    ])->assertOk();
    $tried->assertSee('It goes to Ilse Norrby')->assertSee('Delivery › Late parcel')->assertSee('promised as in “Everybody”')
        ->assertSee('“Sorts parcels”')->assertSee('My parcel has not come.');
    expect($counts())->toEqual($before);
    $this->post('/routing', ['account' => $this->care->id, 'text' => 'A question'])
        ->assertSee('It lies with the team Care, for whoever takes it');
    $this->post('/routing', ['account' => 99_999, 'text' => 'A question'])->assertSessionHasErrors('account');
    $this->post('/routing', ['account' => $this->care->id, 'text' => ''])->assertSessionHasErrors('text');
});

it('lets nothing out while it tries', function (): void {
    ($this->rule)(
        ['field' => 'channel', 'op' => 'in', 'value' => ['email']], ['do' => 'tell', 'value' => 'leads', 'text' => 'Look', 'mail' => '1']
    );
    $this->post('/routing', ['account' => $this->care->id, 'from' => 'x@x.example', 'text' => 'Hello'])->assertOk();
    expect($this->sender->delivered)->toBe([])->and(DB::table('jobs')->count())->toBe(0)
        ->and(DB::table('news')->count())->toBe(0)->and(Conversation::query()->where('state', ConversationState::Open)->count())->toBe(0);
});

it('draws how it is handed out as things stand, with how many came', function (): void {
    Mails::conversation();
    Mails::conversation(['From' => 'old@x.example'])->forceFill(['created_at' => CarbonImmutable::now()->subDays(31)])->save();
    $this->late->forceFill(['brings_team_id' => $this->bench->id])->save();
    ($this->rule)(
        ['field' => 'channel', 'op' => 'in', 'value' => ['email']], ['do' => 'assign_team', 'value' => (string) $this->bench->id]
    );
    $picture = RoutingPicture::draw()->toHtml();
    expect($picture)->toContain('Delivery › Late parcel goes to Returns bench')
        ->toContain('the rule Sorts parcels gives to Returns bench')
        ->toContain('care@brindle.example goes to Care')
        ->and(preg_match('#care@brindle\.example</text><text[^>]*>1</text>#', $picture))->toBe(1);
    $this->get('/routing')->assertOk()->assertSee('Care, by share');
});

it('draws and tries where there are names with signs of HTML in them', function (): void {
    $this->bench->forceFill(['name' => '<b>"Bench" & co</b>'])->save();
    $this->get('/routing')->assertOk()->assertDontSee('<b>"Bench"', false)->assertSee('&lt;b&gt;&quot;Bench', false);
});
