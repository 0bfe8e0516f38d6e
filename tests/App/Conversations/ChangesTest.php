<?php

declare(strict_types=1);

use App\Bulk\BulkChange;
use App\Bulk\BulkItem;
use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Conversations\Actor;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\StillNeeded;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Changes\WhatNeeds;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Conversations\Snapshots\Snapshot;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Nudges\Nudge;
use App\Nudges\NudgePlan;
use App\Rules\ChangedBy;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * Every change of the catalogue, by every way in which it can be made.
 */

/**
 * For each: what is chosen, and how it shows that it was made.
 *
 * @return array<string, array{Closure(): Chosen, Closure(Conversation): bool}>
 */
function everyChange(): array
{
    $id = static fn (Model $of): string => (string) $of->getKey();

    return [
        'set_priority' => [fn () => new Chosen('urgent'), fn (Conversation $one) => $one->priority->value === 'urgent'],
        'set_category' => [
            fn () => new Chosen($id(Category::query()->where('name', 'Refund')->sole())),
            fn (Conversation $one) => $one->category?->name === 'Refund',
        ],
        'set_status' => [
            fn () => new Chosen('resolved:'.$id(Outcome::query()->firstOrFail())),
            fn (Conversation $one) => $one->state === ConversationState::Resolved && $one->outcome_id !== null,
        ],
        'set_language' => [fn () => new Chosen('lv'), fn (Conversation $one) => $one->language === 'lv'],
        'assign_person' => [fn () => new Chosen((string) test()->teammate('ruta')->id), fn (Conversation $one) => $one->owner_id === test()
            ->teammate('ruta')
            ->id],
        'assign_team' => [
            fn () => new Chosen($id(Team::query()->where('name', 'Returns bench')->sole())),
            fn (Conversation $one) => $one->team?->name === 'Returns bench',
        ],
        'add_tag' => [fn () => new Chosen('', 'Wet'), fn (Conversation $one) => $one->tags()->where('name', 'Wet')->exists()],
        'reach_upwards' => [
            fn () => new Chosen('', 'it needs a yes'),
            fn (Conversation $one) => $one->reached_up_at !== null && $one->owner?->name === 'Mads Overgaard',
        ],
        'remove_tag' => [fn () => new Chosen('', 'Old'), fn (Conversation $one) => ! $one->tags()->exists()],
        'set_field' => [
            fn () => new Chosen('batch', 'K'),
            fn (Conversation $one) => OwnField::query()->sole()->values()->where('about_id', $one->id)->value('text') === 'K',
        ],
        'checklist' => [
            fn () => new Chosen($id(Checklist::query()->where('name', 'Lost parcel')->sole())),
            fn (Conversation $one) => StartedChecklist::query()->where('conversation_id', $one->id)->value('name') === 'Lost parcel',
        ],
        'nudge' => [
            fn () => new Chosen($id(NudgePlan::query()->firstOrFail()), as: (string) test()->teammate('ilse')->id),
            fn (Conversation $one) => Nudge::query()->where('conversation_id', $one->id)->where('state', Nudge::RUNNING)->exists(),
        ],
        'junk' => [fn () => new Chosen, fn (Conversation $one) => $one->junk],
    ];
}

/**
 * Those that can be made in one way.
 */
function changesFor(ChangeUse $use): Generator
{
    $not = [
        'Rule' => ['junk'], 'Step' => ['junk', 'set_status', 'reach_upwards'], 'Bulk' => ['nudge', 'reach_upwards'], 'Hand' => [],
    ];
    foreach (everyChange() as $key => $change) {
        in_array($key, $not[$use->name], true) || yield $key => [$key, ...$change];
    }
}

/**
 * What a change can touch, as it is.
 *
 * @return array<string, mixed>
 */
function asItIs(Conversation $conversation): array
{
    $now = app(Snapshot::class)->take(Conversation::query()->findOrFail($conversation->id));

    return [...$now, 'place' => $conversation->refresh()->next_up];
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>']);
    $this->actingAs($this->teammate('ilse'));
    app(ArrangeFields::class)->make(About::Conversation, 'Batch', FieldKind::Text, [], false);
    $this->post("/conversations/{$this->conversation->id}/tags", ['give' => 'Old']);
    $this->post("/conversations/{$this->conversation->id}/fields", ['fields' => [OwnField::query()->sole()->id => 'J']]);
    (new NudgePlan)->forceFill([
        'name' => 'Photo', 'steps' => [['days' => 1, 'template' => 1]], 'end_days' => 3, 'end_outcome_id' => Outcome::query()->value('id'),
    ])->save();
    CarbonImmutable::setTestNow('2026-11-23T10:05:00Z');
});

it('leaves out none of the catalogue', function (): void {
    $offered = [];
    foreach (ChangeUse::cases() as $use) {
        $keys = array_keys(app(Changes::class)->offeredTo($use));
        $offered = [...$offered, ...$keys];
        expect(array_keys(iterator_to_array(changesFor($use))))->toEqualCanonicalizing($keys, $use->name);
    }
    expect(array_keys(everyChange()))->toEqualCanonicalizing(array_unique($offered));
});

it('is made by a rule, once however often, and says what it records', function (string $key, Closure $chosen, Closure $is): void {
    $changes = app(Changes::class);
    $by = fn () => $changes->make($key, $this->conversation->refresh(), $chosen(), Actor::application(), ChangeUse::Rule);
    $entries = fn () => JournalEntry::query()->where('conversation_id', $this->conversation->id)->orderBy('id')->pluck('kind')->all();
    $before = count($entries());
    $by();
    expect($is($this->conversation->refresh()))->toBeTrue()
        ->and(array_slice($entries(), $before))->toBe($changes->get($key, ChangeUse::Rule)->records());
    $after = count($entries());
    // Begun anew, reminders begin anew.
    $key === 'nudge' || $by();
    expect($entries())->toHaveCount($after);
})->with(fn () => changesFor(ChangeUse::Rule));

it('is made by hand on its page, by whoever is signed in', function (string $key, Closure $chosen, Closure $is): void {
    $made = $chosen();
    [$path, $form] = match ($key) {
        'set_priority' => ['priority', ['priority' => $made->value]],
        'set_category' => ['category', ['category' => $made->value]],
        'set_status' => ['resolve', ['outcome' => explode(':', $made->value)[1], 'seen' => 999_999]],
        'set_language' => ['language', ['language' => $made->value]],
        'assign_person' => ['owner', ['owner' => $made->value]],
        'assign_team' => ['team', ['team' => $made->value]],
        'add_tag' => ['tags', ['give' => $made->text]],
        'remove_tag' => ['tags', ['take' => Tag::query()->where('name', $made->text)->value('id')]],
        'set_field' => ['fields', ['fields' => [OwnField::query()->sole()->id => $made->text]]],
        'checklist' => ['checklists', ['checklist' => $made->value]],
        'nudge' => ['nudges', ['plan' => $made->value]],
        'junk' => ['junk', []],
        'reach_upwards' => ['upwards', ['reason' => $made->text]],
    };
    // Only what waits for its customer can be reminded of.
    $key === 'nudge' && $this->post("/conversations/{$this->conversation->id}/state", ['state' => 'waiting']);
    $before = JournalEntry::query()->max('id');
    $this->post("/conversations/{$this->conversation->id}/{$path}", $form)->assertSessionHas('done')->assertSessionHasNoErrors();
    $entries = JournalEntry::query()->where('id', '>', $before)->orderBy('id')->get();
    $records = collect(ChangeUse::cases())->map(fn (ChangeUse $use) => app(Changes::class)->find($key, $use)?->records())->filter();
    expect($is($this->conversation->refresh()))->toBeTrue()
        ->and($entries->pluck('kind')->all())->toBe($records->first())
        ->and($entries->pluck('teammate_id')->unique()->all())->toBe([$this->teammate('ilse')->id]);
    // What is so already is not written down again; begun anew, reminders begin anew.
    $key === 'nudge' || $this->post("/conversations/{$this->conversation->id}/{$path}", $form);
    expect(JournalEntry::query()->where('id', '>', $before)->count())->toBe($entries->count());
})->with(fn () => changesFor(ChangeUse::Hand));

it('goes along with an answer, and goes back with it when that is called back', function (string $key, Closure $chosen, Closure $is): void {
    config(['cairnfield.outbox.call_back_seconds' => 30]);
    $before = asItIs($this->conversation);
    $written = $chosen();
    $value = implode('|', array_filter([$written->value, $written->text], static fn (string $one): bool => $one !== ''));
    $this->post("/conversations/{$this->conversation->id}/reply", [
        'text' => 'We look into it.', 'then' => 'waiting', 'once' => (string) Str::uuid(), 'steps' => ["{$key}={$value}"],
        'seen' => 999_999,
    ])->assertSessionHas('done');
    expect($is($this->conversation->refresh()))->toBeTrue();
    CarbonImmutable::setTestNow('2026-11-23T10:05:20Z');
    $message = Message::query()->where('direction', Message::OUT)->sole();
    $this->post("/messages/{$message->id}/call-back")->assertSessionHas('done');
    expect(asItIs($this->conversation))->toEqual($before);
})->with(fn () => changesFor(ChangeUse::Step));

it('is made with many at once, and undone', function (string $key, Closure $chosen, Closure $is): void {
    $before = asItIs($this->conversation);
    $written = $chosen();
    $this->post('/bulk', [
        'ids' => [$this->conversation->id], 'change' => "{$key}:{$written->value}", 'text' => $written->text, 'view' => 'my-turn',
    ])->assertRedirect();
    $bulk = BulkChange::query()->sole();
    $this->post("/bulk/{$bulk->id}");
    expect($is($this->conversation->refresh()))->toBeTrue();
    CarbonImmutable::setTestNow('2026-11-23T10:06:00Z');
    $this->post("/bulk/{$bulk->id}/undo");
    expect(asItIs($this->conversation))->toEqual($before)->and($bulk->refresh()->state)->toBe(BulkChange::UNDONE);
    // Planned again, it would be made again; where it is so already, it is left alone.
    $this->post('/bulk', [
        'ids' => [$this->conversation->id], 'change' => "{$key}:{$written->value}", 'text' => $written->text, 'view' => 'my-turn',
    ]);
    expect(BulkItem::query()->latest('bulk_change_id')->value('state'))->toBe(BulkItem::PLANNED);
})->with(fn () => changesFor(ChangeUse::Bulk));

it('is refused where what it names is not there, and then nothing changes', function (string $key, string $value, string $text): void {
    $before = asItIs($this->conversation);
    foreach (ChangeUse::cases() as $use) {
        $make = fn () => app(Changes::class)->make($key, $this->conversation, new Chosen($value, $text), Actor::application(), $use);
        expect($make)->toThrow(ChangeRefused::class);
    }
    expect(asItIs($this->conversation))->toEqual($before);
})->with([
    'another key' => ['paint', 'red', ''], 'no key' => ['', '', ''],
    'a priority' => ['set_priority', 'highest', ''], 'no priority' => ['set_priority', '', ''],
    'a category' => ['set_category', '99999', ''], 'a category in words' => ['set_category', 'Refund', ''],
    'a state' => ['set_status', 'asleep', ''], 'held for no reason' => ['set_status', 'held', ''],
    'resolved without an outcome' => ['set_status', 'resolved', ''], 'an outcome' => ['set_status', 'resolved:99999', ''],
    'a language' => ['set_language', 'xx', ''], 'a person' => [
        'assign_person', '99999', '',
    ], 'a person in words' => ['assign_person', 'Ilse', ''],
    'a team' => ['assign_team', '99999', ''], 'no tag' => ['add_tag', '', ''], 'a tag too long' => ['add_tag', '', str_repeat('x', 61)],
    'no tag to take' => ['remove_tag', '', ''], 'a field' => ['set_field', 'none', 'x'], 'a checklist' => ['checklist', '99999', ''],
    'a nudge plan' => ['nudge', '99999', ''],
]);

it('is refused where its thing was retired in between, by whatever way', function (string $key, Closure $chosen, Closure $retire): void {
    $was = $chosen();
    $changes = app(Changes::class);
    $retire();
    foreach (ChangeUse::cases() as $use) {
        $change = $changes->find($key, $use);
        $change === null || expect(fn () => $change->check($was, new ThingsInUse, $use))->toThrow(ChangeRefused::class);
    }
})->with([
    'a category' => ['set_category', everyChange()['set_category'][0], fn () => Category::query()->update(['retired_at' => now()])],
    'an outcome' => ['set_status', everyChange()['set_status'][0], fn () => Outcome::query()->update(['retired_at' => now()])],
    'a person who left' => ['assign_person', everyChange()['assign_person'][0], fn () => test()->teammate('ruta')
        ->forceFill(['may_sign_in' => false])
        ->save()],
    'a field' => ['set_field', everyChange()['set_field'][0], fn () => OwnField::query()->update(['retired_at' => now()])],
    'a checklist' => ['checklist', everyChange()['checklist'][0], fn () => Checklist::query()->update(['retired_at' => now()])],
    'a nudge plan' => ['nudge', everyChange()['nudge'][0], fn () => NudgePlan::query()->update(['retired_at' => now()])],
]);

it('does not let its thing go while a rule that is on makes it, nor while a template takes it along', function (
    string $key, Closure $chosen, Closure $thing
): void {
    $was = $chosen();
    $needs = app(WhatNeeds::class);
    $needs->refuseIfSet($thing(), 'It');
    $rule = app(SaveRule::class)->save(null, new RuleToSave(
        'Makes it', Way::Every, [RuleEvent::Noted], ['all' => []], [
            RuleAction::of(['do' => $key, ...$was->toArray()]),
        ], '', ChangedBy::Leads
    ), $this->teammate('mads'));
    // One that is off needs nothing.
    $needs->refuseIfSet($thing(), 'It');
    app(SaveRule::class)->switch($rule, true, $this->teammate('mads'));
    expect(fn () => $needs->refuseIfNeeded($thing(), 'It'))
        ->toThrow(StillNeeded::class, '“It” is needed by the rule “Makes it”. Change it or switch it off first.');
    app(SaveRule::class)->switch($rule->refresh(), false, $this->teammate('mads'));
    if (app(Changes::class)->find($key, ChangeUse::Step) !== null) {
        $value = implode('|', array_filter([$was->value, $was->text], static fn (string $one): bool => $one !== ''));
        $template = app(SaveTemplate::class)->save(null, new TemplateToSave(
            'Takes it along', '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => 'Hello', 'html' => null]], [],
            [Step::of($key, $value)]
        ), $this->teammate('mads'));
        expect(fn () => $needs->refuseIfSet($thing(), 'It'))->toThrow(StillNeeded::class, 'the template “Takes it along”');
        $template->forceFill(['retired_at' => now()])->save();
        $needs->refuseIfSet($thing(), 'It');
    }
})->with([
    'a category' => ['set_category', everyChange()['set_category'][0], fn () => Category::query()->where('name', 'Refund')->sole()],
    'an outcome' => [
        'set_status', fn () => new Chosen('resolved:'.Outcome::query()->where('name', 'Duplicate')->value('id')),
        fn () => Outcome::query()->where('name', 'Duplicate')->sole(),
    ],
    'a person' => ['assign_person', everyChange()['assign_person'][0], fn () => test()->teammate('ruta')],
    'a team' => ['assign_team', everyChange()['assign_team'][0], fn () => Team::query()->where('name', 'Returns bench')->sole()],
    'a tag' => ['add_tag', fn () => new Chosen('', 'ÖLD'), fn () => ChangeTags::named('Old')],
    'a tag to take' => ['remove_tag', everyChange()['remove_tag'][0], fn () => Tag::query()->where('name', 'Old')->sole()],
    'a field' => ['set_field', everyChange()['set_field'][0], fn () => OwnField::query()->sole()],
    'a checklist' => ['checklist', everyChange()['checklist'][0], fn () => Checklist::query()->where('name', 'Lost parcel')->sole()],
    'a nudge plan' => ['nudge', everyChange()['nudge'][0], fn () => NudgePlan::query()->where('name', 'Photo')->sole()],
]);
