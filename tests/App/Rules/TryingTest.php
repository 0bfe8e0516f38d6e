<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\Changes\StillNeeded;
use App\Conversations\ChangeState;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\SetPriority;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Nudges\NudgePlan;
use App\Rules\ChangedBy;
use App\Rules\ReadyMade;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleConflict;
use App\Rules\RuleEvent;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Rules\TimeTrigger;
use App\Rules\TriedRule;
use App\Rules\TryRule;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

const LATE = ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['late']];

/**
 * @param  array<string, mixed>  $condition
 * @param  list<array<string, string>>  $actions
 * @param  list<RuleEvent>|array<string, mixed>  $when  events, or a clock
 */
function kept(string $name, array $condition, array $actions, array $when = [RuleEvent::FirstMessage], bool $on = true): Rule
{
    $isClock = isset($when['since']);
    $rule = app(SaveRule::class)->save(
        null,
        new RuleToSave(
            $name, Way::Every, $isClock ? [] : $when, $condition, array_map(RuleAction::of(...), $actions), '', ChangedBy::Leads,
            $isClock ? TimeTrigger::of($when) : null
        ),
        test()->teammate('mads')
    );
    app(SaveRule::class)->switch($rule, $on, test()->teammate('mads'));

    return $rule->refresh();
}

function tried(Rule $rule, int $days = 30): TriedRule
{
    return app(TryRule::class)->over($rule, $days);
}

/**
 * @return list<array{string, string, string, int}>
 */
function fightsOf(TriedRule $tried): array
{
    return array_map(static fn (RuleConflict $fight): array => [$fight->with, $fight->over, $fight->winner, $fight->count], $tried->fights);
}

/**
 * @return array<string, mixed>
 */
function writtenRule(array $more = []): array
{
    return [
        'name' => '', 'way' => 'every', 'changed_by' => 'leads', 'events' => ['first_message'],
        'condition' => ['head' => 'all', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'late']]],
        'actions' => [['do' => 'set_priority', 'value' => 'high']], ...$more,
    ];
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    app(RunRules::class)->run();
    $this->actingAs($this->teammate('mads'));
});

it('says what other rules do to the same ones', function (): void {
    kept('Festival', ['all' => []], [['do' => 'add_tag', 'text' => 'festival'], ['do' => 'set_priority', 'value' => 'low']]);
    kept('Of no concern', ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['invoice']], [['do' => 'add_tag', 'text' => 'money']]);
    $rule = kept('Late', LATE, [['do' => 'set_priority', 'value' => 'urgent']], on: false);
    Mails::conversation(['Subject' => 'My parcel is late']);
    $row = tried($rule)->rows[0];
    expect($row['others'])->toBe(['Festival: add the tag “festival”'])->and($row['leftOut'])->toBe([])
        ->and(fightsOf(tried($rule)))->toBe([['Festival', 'set the priority to', 'this rule', 1]]);
    app(SaveRule::class)->put($rule, 1);
    expect(tried($rule->refresh())->rows[0]['leftOut'])->toBe(['set the priority to (“Festival” does)']);
});

it('says which tag one gives and another takes away, and how often, and in which circle it would go', function (): void {
    kept(
        'Takes it away', ['all' => []],
        [
            ['do' => 'remove_tag', 'text' => 'FESTIVAL'], ['do' => 'remove_tag', 'text' => 'calm'],
            ['do' => 'set_priority', 'value' => 'high'],
        ]
    );
    kept('There', ['all' => []], [['do' => 'set_priority', 'value' => 'high']], [RuleEvent::TagsChanged]);
    kept('And back', ['all' => []], [['do' => 'add_tag', 'text' => 'more']], [RuleEvent::PriorityChanged]);
    $rule = kept('Festival', LATE, [['do' => 'add_tag', 'text' => 'festival'], ['do' => 'set_priority', 'value' => 'high']], on: false);
    foreach (['late', 'very late'] as $subject) {
        Mails::conversation(['Subject' => $subject, 'From' => md5($subject).'@x.example', 'Message-ID' => '<'.md5($subject).'@x.example>']);
    }
    $tried = tried($rule);
    // Both want the same priority, and a circle of others is not its own.
    expect(fightsOf($tried))->toBe([
        ['Takes it away', 'the tag “festival”, which one gives and the other takes away', 'the one further down', 2],
    ])
        ->and($tried->circles)->toBe([])
        ->and(tried(Rule::query()->where('name', 'There')->sole())->circles)->toHaveCount(1);
});

it('counts all that fit, and shows the first hundred', function (?array $clock): void {
    Mails::conversation(['Subject' => 'late']);
    $template = (array) DB::table('conversations')->first();
    $entry = (array) DB::table('journal')->where('kind', 'message_received')->first();
    foreach (range(1, 104) as $number) {
        $id = DB::table('conversations')->insertGetId([
            ...$template, 'id' => null, ...array_filter(['reply_token' => isset($template['reply_token']) ? "t{$number}" : null]),
        ]);
        DB::table('journal')->insert([...$entry, 'id' => null, 'conversation_id' => $id]);
    }
    CarbonImmutable::setTestNow('2026-11-23T15:00:00Z');
    $tried = tried(
        kept(
            'All of them', ['all' => []], [['do' => 'add_tag', 'text' => 'x']],
            $clock ?? [RuleEvent::FirstMessage, RuleEvent::LaterMessage], false
        )
    );
    expect($tried->matched)->toBe(105)->and($tried->rows)->toHaveCount(100);
})->with(['when something happens' => [null], 'with time' => [['since' => 'began', 'hours' => 1]]]);

it('says what rules that run on what happens have done to those for which its time has come', function (): void {
    kept('Calm', LATE, [['do' => 'set_priority', 'value' => 'low'], ['do' => 'add_tag', 'text' => 'calm']]);
    $late = Mails::conversation(['Subject' => 'My parcel is late']);
    Mails::conversation(['Subject' => 'Another matter', 'From' => 'eva@sturm.example']);
    app(RunRules::class)->run();
    CarbonImmutable::setTestNow('2026-11-24T16:00:00Z');
    $rule = kept(
        'After a day', ['all' => []], [['do' => 'set_priority', 'value' => 'urgent'], ['do' => 'remove_tag', 'text' => 'Calm']],
        ['since' => 'began', 'hours' => 24], on: false
    );
    $tried = tried($rule);
    $others = array_column(array_map(static fn (array $row): array => [$row['conversation']->id, $row['others']], $tried->rows), 1, 0);
    expect($tried->matched)->toBe(2)
        ->and($others[$late->id])->toBe(['Calm: set the priority to low, add the tag “calm”'])
        ->and(array_filter($others))->toHaveCount(1)
        ->and(fightsOf($tried))
        ->toBe([
            ['Calm', 'set the priority to', 'whichever runs later', 1],
            ['Calm', '“Calm”, a tag that one gives and the other takes away', 'whichever runs later', 1],
        ]);
});

it('looks beside a conversation only where it depends on that', function (): void {
    [$late, $tagged, $neither] = array_map(
        fn (string $subject): Conversation => Mails::conversation([
            'Subject' => $subject, 'From' => "{$subject}@x.example", 'Message-ID' => "<{$subject}@x.example>",
        ]),
        ['late', 'tagged', 'neither']
    );
    $tag = ChangeTags::named('festival');
    app(ChangeTags::class)->change($tagged, [$tag], [], Actor::application());
    $rule = kept(
        'Either', ['any' => [LATE, ['field' => 'tags', 'op' => 'includes', 'value' => [(string) $tag->id]]]],
        [['do' => 'set_priority', 'value' => 'high']], on: false
    );
    $asked = [];
    DB::listen(function (QueryExecuted $query) use (&$asked): void {
        str_contains($query->sql, 'conversation_tag') && $asked[] = $query->sql;
    });
    $tried = tried($rule);
    expect(array_map(static fn (array $row): int => $row['conversation']->id, $tried->rows))->toBe([$tagged->id, $late->id])
        ->and($asked[0])->toContain("in ({$tagged->id}, {$neither->id})");
});

it('says where it would not have answered', function (): void {
    $template = app(SaveTemplate::class)->save(
        null,
        new TemplateToSave(
            'Receipt', '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => 'Hello', 'html' => null]], [], []
        ),
        $this->teammate('mads')
    );
    $rule = kept(
        'Receipt', ['all' => []],
        [['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $this->teammate('mads')->id]], on: false
    );
    Mails::conversation(['Subject' => 'Out of office', 'From' => 'no-reply@x.example', 'Auto-Submitted' => 'auto-generated']);
    Mails::conversation(['Subject' => 'Where is it', 'From' => 'eva@sturm.example']);
    expect(array_column(tried($rule)->rows, 'leftOut'))->toBe([
        [], ['the answer, since a machine wrote it, and machines are not answered'],
    ]);
});

it('tries out what is written before it is kept, and keeps nothing', function (): void {
    $late = Mails::conversation(['Subject' => 'My parcel is late']);
    $this->withHeader('HX-Request', 'true')
        ->post('/rules/try', writtenRule())
        ->assertOk()
        ->assertSee('1</b> of 1', false)
        ->assertSee($late->number())
        ->assertDontSee('<html', false);
    $this->withoutHeader('HX-Request')
        ->post('/rules/try', writtenRule())
        ->assertOk()
        ->assertSee('As it was written, and not kept.')
        ->assertSee($late->number());
    expect(Rule::query()->count())->toBe(0)->and(RuleRun::query()->count())->toBe(0);
    // Also changes to one that is kept and on.
    $rule = kept(
        'Invoices', ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['invoice']], [['do' => 'add_tag', 'text' => 'money']]
    );
    $before = $rule->refresh()->toArray();
    $this->withHeader('HX-Request', 'true')
        ->post('/rules/try', writtenRule(['rule' => $rule->id, 'name' => 'Invoices']))
        ->assertSee('1</b> of 1', false)
        ->assertDontSee('Fights');
    expect($rule->refresh()->toArray())
        ->toBe($before)
        ->and(JournalEntry::query()->where('conversation_id', $late->id)->where('kind', 'priority_changed')->exists())
        ->toBeFalse();
    $this->post('/rules/try', writtenRule(['actions' => [['do' => 'add_tag', 'text' => '']]]))
        ->assertOk()
        ->assertSee('Add the tag: write the tag');
    $this->actingAs($this->teammate('ilse'))->post('/rules/try', writtenRule())->assertForbidden();
});

it('does not switch on what could not be carried out, and says why', function (): void {
    $category = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $rule = kept('Sorts', LATE, [['do' => 'set_category', 'value' => (string) $category->id]], on: false);
    $category->forceFill(['retired_at' => now()])->save();
    $this->post("/rules/{$rule->id}/switch", ['on' => 1])
        ->assertRedirect("/rules/{$rule->id}")
        ->assertSessionHas('problem', 'It is not switched on: Set the category to: choose a category; this one is not there any more.');
    $gone = kept('Asks', LATE, [['do' => 'add_tag', 'text' => 'x']], on: false);
    DB::table('rules')->where('id', $gone->id)->update(['condition' => '{"field":"own.conversation.gone","op":"is_empty"}']);
    $this->post("/rules/{$gone->id}/switch", ['on' => 1])->assertSessionHas('problem');
    expect(Rule::query()->where('on', true)->count())->toBe(0);
});

it('says at once in which circle a rule goes that is switched on', function (): void {
    kept('There', ['all' => []], [['do' => 'set_priority', 'value' => 'high']], [RuleEvent::TagsChanged]);
    $back = kept('And back', ['all' => []], [['do' => 'add_tag', 'text' => 'more']], [RuleEvent::PriorityChanged], on: false);
    $this->post("/rules/{$back->id}/switch", ['on' => 1])
        ->assertSessionHas('done')
        ->assertSessionHas(
            'problem',
            'These rules would wake each other in a circle: “There” → “And back” → “There”. Let one of them run on something else, or '
                .'switch one off.'
        );
});

it('lets nothing go that a rule which is on needs', function (): void {
    $field = app(ArrangeFields::class)->make(About::Conversation, 'Batch', FieldKind::Text, [], false);
    $asks = kept('Asks', ['field' => 'own.conversation.batch', 'op' => 'is', 'value' => 'K'], [['do' => 'add_tag', 'text' => 'K']]);
    $sets = kept('Sets', ['all' => []], [['do' => 'set_field', 'value' => 'batch', 'text' => 'K']]);
    expect(fn () => app(ArrangeFields::class)->retire($field))->toThrow(
        StillNeeded::class, '“Batch” is needed by the rule “Asks” and the rule “Sets”. Change them or switch them off first.'
    );
    $this->post("/sorting/fields/{$field->id}/retire")->assertSessionHas('problem');
    foreach ([$asks, $sets] as $rule) {
        app(SaveRule::class)->switch($rule, false, $this->teammate('mads'));
    }
    $this->post("/sorting/fields/{$field->id}/retire")->assertSessionHas('done');

    $reminds = app(ReadyMade::class)->make('no-answer', $this->teammate('mads'));
    app(SaveRule::class)->switch($reminds, true, $this->teammate('mads'));
    $plan = NudgePlan::query()->sole();
    $this->post("/nudges/{$plan->id}/retire")->assertSessionHas(
        'problem', "“No answer” is needed by the rule “{$reminds->name}”. Change it or switch it off first."
    );
    $template = Template::query()->where('name', 'Last word')->sole();
    $this->post("/templates/{$template->id}/retire")->assertSessionHas(
        'problem', '“Last word” is needed by the nudge plan “No answer”. Change it or switch it off first.'
    );
    expect($template->refresh()->retired_at)->toBeNull()->and($plan->refresh()->retired_at)->toBeNull();
});

it('answers what it asks of conversations as they are now', function (): void {
    $conversation = Mails::conversation(['Subject' => 'My parcel is late']);
    $rule = kept(
        'Urgent ones', ['field' => 'priority', 'op' => 'in', 'value' => ['urgent']], [['do' => 'add_tag', 'text' => 'x']], on: false
    );
    expect(tried($rule)->matched)->toBe(0);
    app(SetPriority::class)->set($conversation, Priority::Urgent, Actor::teammate($this->teammate('mads')));
    expect(tried($rule)->matched)->toBe(1)->and(tried($rule)->looked)->toBe(1);
    app(ChangeState::class)->hold($conversation->refresh(), Actor::teammate($this->teammate('mads')), 'the carrier looks', null);
    CarbonImmutable::setTestNow('2027-02-23T10:00:00Z');
    expect(tried($rule)->looked)->toBe(0);
});
