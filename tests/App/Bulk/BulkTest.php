<?php

declare(strict_types=1);

use App\Answering\Outbox\DeliverDue;
use App\Bulk\BulkChange;
use App\Bulk\BulkItem;
use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Fields\OwnField;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Bus;
use Tests\App\Mails;
use Tests\App\Services;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->all = array_map(
        static fn (string $name): Conversation => Mails::conversation(['Subject' => "From {$name}", 'From' => "{$name}@x.example"]),
        ['ann', 'bea', 'cid']
    );
    $this->actingAs($this->teammate('ilse'));
});

/**
 * Plans a change to those given.
 *
 * @param  list<Conversation>  $conversations
 */
function plan(array $conversations, string $change, string $text = ''): BulkChange
{
    test()
        ->post(
            '/bulk',
            [
                'ids' => array_map(static fn (Conversation $one): int => $one->id, $conversations), 'change' => $change,
                'text' => $text, 'view' => 'my-turn',
            ]
        )
        ->assertRedirect();

    return BulkChange::query()->latest('id')->firstOrFail();
}

it('shows first what would change, and changes nothing', function (): void {
    $this->all[1]->forceFill(['owner_id' => $this->teammate('ilse')->id])->save();
    $bulk = plan($this->all, "assign_person:{$this->teammate('ilse')->id}");
    $this->get("/bulk/{$bulk->id}")
        ->assertOk()
        ->assertSee('Give it to Ilse Norrby')
        ->assertSee('2 conversations will change.')
        ->assertSee('One is left alone.')
        ->assertSee('it lies with them already');
    expect($this->all[0]->refresh()->owner_id)->toBeNull();
    $this->actingAs($this->teammate('mads'))->get("/bulk/{$bulk->id}")->assertNotFound();
    $this->post("/bulk/{$bulk->id}")->assertNotFound();
});

it('makes each kind of change, and undoes it exactly', function (string $change, string $text, Closure $made): void {
    $this->actingAs($this->teammate('mads'))->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $field = OwnField::query()->sole();
    $tag = App\Conversations\ChangeTags::named('Old');
    foreach ($this->all as $conversation) {
        $conversation->tags()->attach($tag->id);
    }
    $this->post("/conversations/{$this->all[0]->id}/fields", ['fields' => [$field->id => 'J']]);
    $ids = [
        'ILSE' => $this->teammate('ilse')->id, 'BENCH' => App\Team\Team::query()->where('name', 'Returns bench')->value('id'),
        'LATE' => App\Sorting\Category::query()->where('name', 'Late parcel')->value('id'),
        'OUTCOME' => Outcome::query()->value('id'), 'TAG' => 'Old', 'FIELD' => $field->word,
    ];
    $before = array_map(
        static fn (Conversation $one): array => [
            ...$one->refresh()->only([
                'owner_id', 'team_id', 'category_id', 'state', 'outcome_id', 'waiting_since', 'due_at', 'junk', 'next_up',
            ]),
            'priority' => $one->priority->value, 'tags' => $one->tags()->pluck('name')->all(),
        ],
        $this->all
    );
    $bulk = plan($this->all, strtr($change, $ids), $text);
    $this->post("/bulk/{$bulk->id}");
    foreach ($this->all as $conversation) {
        expect($made($conversation->refresh()))->toBeTrue();
    }
    $this->get("/bulk/{$bulk->id}")->assertSee('3 conversations were changed.')->assertSee('Undo it');
    $this->post("/bulk/{$bulk->id}/undo");
    $after = array_map(
        static fn (Conversation $one): array => [
            ...$one->refresh()->only([
                'owner_id', 'team_id', 'category_id', 'state', 'outcome_id', 'waiting_since', 'due_at', 'junk', 'next_up',
            ]),
            'priority' => $one->priority->value, 'tags' => $one->tags()->pluck('name')->all(),
        ],
        $this->all
    );
    expect($after)->toEqual($before)->and($bulk->refresh()->state)->toBe(BulkChange::UNDONE);
    $this->get("/conversations/{$this->all[0]->id}")->assertSee('Undone: ')->assertSee('value="J"', false);
})->with([
    'owner' => ['assign_person:ILSE', '', fn (Conversation $one): bool => $one->owner?->name === 'Ilse Norrby'],
    'team' => ['assign_team:BENCH', '', fn (Conversation $one): bool => $one->team?->name === 'Returns bench'],
    'category' => ['set_category:LATE', '', fn (Conversation $one): bool => $one->category?->name === 'Late parcel'],
    'priority' => ['set_priority:urgent', '', fn (Conversation $one): bool => $one->priority->value === 'urgent'],
    'a new tag' => ['add_tag:', 'Festival', fn (Conversation $one): bool => $one->tags()->where('name', 'Festival')->exists()],
    'a tag taken' => ['remove_tag:TAG', '', fn (Conversation $one): bool => ! $one->tags()->exists()],
    'a field' => [
        'set_field:FIELD', 'K',
        fn (Conversation $one): bool => OwnField::query()->sole()->values()->where('about_id', $one->id)->value('text') === 'K',
    ],
    'resolve' => [
        'set_status:resolved:OUTCOME', '',
        fn (Conversation $one): bool => $one->state === ConversationState::Resolved && $one->outcome_id !== null,
    ],
    'junk' => ['junk:', '', fn (Conversation $one): bool => $one->junk],
]);

it('leaves alone what somebody else has changed since it was chosen', function (): void {
    $bulk = plan($this->all, 'set_status:resolved:'.Outcome::query()->value('id'));
    $this->answer($this->all[0], 'I have this one', 'mads');
    Mails::take(Mails::raw(['From' => 'bea@x.example', 'Subject' => 'Re: From bea ['.$this->all[1]->number().']']));
    $this->post("/bulk/{$bulk->id}");
    expect($this->all[0]->refresh()->state)->toBe(ConversationState::Waiting)
        ->and($this->all[1]->refresh()->state)->toBe(ConversationState::Open)
        ->and($this->all[2]->refresh()->state)->toBe(ConversationState::Resolved);
    $this->get("/bulk/{$bulk->id}")
        ->assertSee('it was changed in between by Mads Overgaard')
        ->assertSee('it was changed in between by the customer, who wrote');
});

it('undoes nothing that somebody has gone on with, and nothing after ten minutes', function (): void {
    $bulk = plan($this->all, 'set_priority:high');
    $this->post("/bulk/{$bulk->id}");
    $this->answer($this->all[0], 'Gone on', 'mads');
    $this->post("/bulk/{$bulk->id}/undo");
    expect($this->all[0]->refresh()->priority->value)->toBe('high')->and($this->all[1]->refresh()->priority->value)->toBe('normal');
    $this->get("/bulk/{$bulk->id}")->assertSee('somebody has gone on with it since');

    $later = plan([$this->all[2]], 'set_priority:low');
    $this->post("/bulk/{$later->id}");
    CarbonImmutable::setTestNow(now()->addMinutes(11));
    $this->post("/bulk/{$later->id}/undo")->assertSessionHas('problem');
    expect($this->all[2]->refresh()->priority->value)->toBe('low');
});

it('answers all with one text that is called back when it is undone in time', function (): void {
    config(['cairnfield.outbox.bulk_call_back_seconds' => 60]);
    $bulk = plan($this->all, 'answer:', 'The festival is put off by a week.');
    $this->post("/bulk/{$bulk->id}");
    expect(OutboxItem::query()->where('state', OutboxItem::DUE)->count())
        ->toBe(3)
        ->and($this->all[0]->refresh()->state)
        ->toBe(ConversationState::Waiting)
        ->and($this->sender->delivered)
        ->toBe([]);
    $this->post("/bulk/{$bulk->id}/undo");
    expect($this->all[0]->refresh()->state)->toBe(ConversationState::Open)->and($this->all[0]->waiting_since)->not->toBeNull();
    CarbonImmutable::setTestNow(now()->addMinutes(2));
    (new DeliverDue)->handle();
    expect($this->sender->delivered)->toBe([]);

    $again = plan([$this->all[1]], 'answer:', 'It is on again.');
    $this->post("/bulk/{$again->id}");
    CarbonImmutable::setTestNow(now()->addMinutes(2));
    (new DeliverDue)->handle();
    expect($this->sender->delivered)->toHaveCount(1);
    $this->post("/bulk/{$again->id}/undo");
    expect(BulkItem::query()->where('bulk_change_id', $again->id)->value('reason'))
        ->not->toBe('')
        ->and($this->all[1]->refresh()->state)
        ->toBe(ConversationState::Waiting);
});

it('takes all that a view holds, also beyond the page', function (): void {
    $this->post('/bulk?owner=nobody', ['change' => 'set_priority:high', 'all' => 1, 'view' => 'my-turn'])->assertRedirect();
    expect(BulkItem::query()->count())->toBe(3);
    $this->get('/queue/my-turn')->assertSee('data-pick', false)->assertSee('all of “My turn”');
});

it('refuses what makes no sense, with the reason', function (): void {
    $this->post('/bulk', ['change' => 'set_priority:high', 'view' => 'my-turn'])->assertSessionHas(
        'problem', 'No conversation is chosen. Choose some with X, or with the boxes beside them.'
    );
    $ids = ['ids' => [$this->all[0]->id]];
    $this->post('/bulk', [...$ids, 'change' => 'paint:red'])->assertSessionHas('problem', 'Choose what is to be done with them.');
    $this->post('/bulk', [...$ids, 'change' => 'set_category:999999'])->assertSessionHas(
        'problem', 'Set the category to: choose a category; this one is not there any more.'
    );
    $this->post('/bulk', [...$ids, 'change' => 'answer:', 'text' => ' '])->assertSessionHas('problem');
    $this->actingAs($this->teammate('femi'))->post('/bulk', [...$ids, 'change' => 'junk:'])->assertForbidden();
    expect(BulkChange::query()->count())->toBe(0)->and(Tag::query()->count())->toBe(0);
});

it('goes on where it stopped, and begins once however often it is asked', function (): void {
    $bulk = plan($this->all, 'set_priority:high');
    Bus::fake();
    $this->post("/bulk/{$bulk->id}");
    $this->post("/bulk/{$bulk->id}");
    Bus::assertDispatchedTimes(App\Bulk\WorkOnBulkChange::class, 1);
    $make = app(App\Bulk\MakeBulkChange::class);
    expect($make->go($bulk->refresh(), 2))->toBeFalse()->and($make->go($bulk->refresh(), 2))->toBeTrue()
        ->and($bulk->refresh()->state)->toBe(BulkChange::DONE)->and(BulkItem::query()->where('state', BulkItem::CHANGED)->count())->toBe(3);
});

it('answers all with one template, each filled for them, and leaves out where it cannot be', function (): void {
    config(['cairnfield.outbox.bulk_call_back_seconds' => 60]);
    $template = app(SaveTemplate::class)->save(null, new TemplateToSave('Put off', '', SharedWith::Everybody, null, [
        'en' => [
            'subject' => null, 'text' => '{{ customer.name }}, the festival is put off.', 'html' => null,
        ], 'da' => ['subject' => null, 'text' => 'Festivalen er udskudt.', 'html' => null],
    ], [], [Step::of('add_tag', 'festival'), Step::of('set_priority', 'low')]), $this->teammate('mads'));
    $this->all[0]->customer->forceFill(['name' => 'Ann Lee'])->save();
    $this->all[1]->forceFill(['language' => 'da'])->save();
    // Nobody is called by their address: here the name is not known.
    $this->all[2]->customer->forceFill(['name' => 'cid@x.example'])->save();
    $bulk = plan($this->all, "template:{$template->id}");
    // What would be refused is said before, and what each would read.
    $this->get("/bulk/{$bulk->id}")
        ->assertSee('Answer with “Put off”, each in their language')
        ->assertSee('2 conversations will change.')
        ->assertSee('{{ customer.name }} in line 1 is not filled')
        ->assertSee('Ann Lee, the festival is put off.')
        ->assertSee('Festivalen er udskudt.');
    expect(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
    $this->post("/bulk/{$bulk->id}");
    expect(
        Message::query()->where('direction', Message::OUT)->orderBy('conversation_id')->pluck('text')->all()
    )->toBe(['Ann Lee, the festival is put off.', 'Festivalen er udskudt.'])
        ->and($this->all[0]->refresh()->tags()->pluck('name')->all())->toBe(['festival'])
        ->and(BulkItem::query()->where('bulk_change_id', $bulk->id)->where('conversation_id', $this->all[2]->id)->value('reason'))
        ->toContain('{{ customer.name }} in line 1 is not filled')
        ->and($this->all[2]->refresh()->state)->toBe(ConversationState::Open)->and($template->refresh()->uses)->toBe(2);
    $this->post("/bulk/{$bulk->id}/undo");
    expect($this->all[0]->refresh()->state)
        ->toBe(ConversationState::Open)
        ->and($this->all[0]->priority->value)
        ->toBe('normal')
        ->and($this->all[0]->tags()->count())
        ->toBe(0)
        ->and($template->refresh()->uses)
        ->toBe(0);
});

it('says before what would be refused like an answer by hand', function (): void {
    // Nobody reads what is sent to a machine, and one has no address at all.
    $machine = Mails::conversation(['From' => 'no-reply@shop.example', 'Subject' => 'Stock']);
    $bulk = plan([$this->all[0], $machine], 'answer:', 'The festival is put off.');
    $this->get("/bulk/{$bulk->id}")->assertSee('One conversation will change.')->assertSee('One is left alone.')
        ->assertSee('What they read')->assertSee('The festival is put off.');
    expect(BulkItem::query()->where('conversation_id', $machine->id)->value('state'))->toBe(BulkItem::SKIPPED);
});

it('answers nothing in public with one text for all', function (): void {
    $this->all[0]->forceFill(['public' => true])->save();
    $bulk = plan($this->all, 'answer:', 'The festival is put off.');
    $this->get("/bulk/{$bulk->id}")->assertSee('2 conversations will change.')->assertSee('what was said in public is answered by hand');
});

it('leaves all alone where what was chosen has gone since it was planned, and says so', function (
    string $change, string $gone, Closure $goes
): void {
    $field = app(App\Sorting\ArrangeFields::class)->make(App\Fields\About::Conversation, 'Batch', App\Fields\FieldKind::Text, [], false);
    $template = app(SaveTemplate::class)->save(
        null,
        new TemplateToSave(
            'Put off', '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => 'It is put off.', 'html' => null]],
            [], []
        ),
        $this->teammate('mads')
    );
    $ids = [
        'RUTA' => $this->teammate('ruta')
            ->id, 'LATE' => App\Sorting\Category::query()
            ->where('name', 'Late parcel')
            ->value('id'), 'OUTCOME' => Outcome::query()
            ->value('id'),
        'FIELD' => $field->word, 'TEMPLATE' => $template->id,
    ];
    $bulk = plan($this->all, strtr($change, $ids), str_starts_with($change, 'set_field') ? 'K' : '');
    $goes();
    $before = Conversation::query()->orderBy('id')->get()->toArray();
    $this->post("/bulk/{$bulk->id}");
    expect(Conversation::query()->orderBy('id')->get()->toArray())->toBe($before)
        ->and($bulk->refresh()->state)->toBe(BulkChange::DONE)
        ->and(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
    $this->get("/bulk/{$bulk->id}")->assertSee($gone);
})->with([
    'a person who left' => ['assign_person:RUTA', 'choose a person; this one is not in the team any more', fn () => test()->teammate('ruta')
        ->forceFill(['may_sign_in' => false])
        ->save()],
    'a category retired' => [
        'set_category:LATE', 'choose a category; this one is not there any more',
        fn () => App\Sorting\Category::query()->where('name', 'Late parcel')->update(['retired_at' => now()]),
    ],
    'an outcome retired' => [
        'set_status:resolved:OUTCOME', 'choose an outcome; this one is not there any more',
        fn () => Outcome::query()->limit(1)->update(['retired_at' => now()]),
    ],
    'a field retired' => [
        'set_field:FIELD', 'choose a field; this one is not there any more',
        fn () => OwnField::query()->update(['retired_at' => now()]),
    ],
    'a template retired' => [
        'template:TEMPLATE', 'The template that was chosen is not there any more',
        fn () => App\Templates\Template::query()->update(['retired_at' => now()]),
    ],
    'a template made private' => [
        'template:TEMPLATE', 'The template that was chosen is not there any more', fn () => App\Templates\Template::query()->update(
            ['shared_with' => SharedWith::Nobody]
        ),
    ],
]);

it('says why each is left alone that has already what it would get', function (
    string $change, string $text, array $has, string $reason
): void {
    $tag = App\Conversations\ChangeTags::named('Old');
    $ids = [
        'BENCH' => App\Team\Team::query()->where('name', 'Returns bench')->value('id'),
        'LATE' => App\Sorting\Category::query()->where('name', 'Late parcel')->value('id'),
        'OUTCOME' => Outcome::query()->value('id'), 'TAG' => 'Old',
    ];
    $this->all[0]->forceFill(
        array_map(static fn (mixed $value): mixed => is_string($value) && isset($ids[$value]) ? $ids[$value] : $value, $has)
    )->save();
    $has === [] && $change === 'add_tag:TAG' && $this->all[0]->tags()->attach($tag->id);
    $bulk = plan([$this->all[0]], strtr($change, $ids), $text);
    $this->get("/bulk/{$bulk->id}")->assertSee($reason)->assertSee('None of them would change.');
    $this->post("/bulk/{$bulk->id}");
    expect(BulkItem::query()->where('bulk_change_id', $bulk->id)->value('state'))->toBe(BulkItem::SKIPPED);
})->with([
    'nobody’s already' => ['assign_person:', '', ['owner_id' => null], 'nobody has it'],
    'the team’s' => ['assign_team:BENCH', '', ['team_id' => 'BENCH'], 'the team has it already'],
    'the category' => ['set_category:LATE', '', ['category_id' => 'LATE'], 'it has this category'],
    'the priority' => ['set_priority:high', '', ['priority' => 'high'], 'it has this priority'],
    'tagged' => ['add_tag:TAG', '', [], 'it has this tag'],
    'not tagged' => ['remove_tag:TAG', '', [], 'it has not this tag'],
    'resolved' => ['set_status:resolved:OUTCOME', '', ['state' => 'resolved', 'outcome_id' => 'OUTCOME'], 'it is resolved already'],
    'closed' => ['answer:', 'Hello', ['state' => 'closed'], 'it is closed for good'],
    'junk' => ['junk:', '', ['junk' => true], 'it is with the junk'],
]);

it('is begun and undone only by whoever planned it, and undone once', function (): void {
    $bulk = plan($this->all, 'set_priority:high');
    $this->actingAs($this->teammate('mads'));
    foreach (["/bulk/{$bulk->id}", "/bulk/{$bulk->id}/undo"] as $path) {
        $this->post($path)->assertNotFound();
    }
    $this->get("/bulk/{$bulk->id}/progress")->assertNotFound();
    $this->actingAs($this->teammate('ilse'))
        ->post("/bulk/{$bulk->id}/undo")
        ->assertSessionHas('problem', 'It cannot be undone any more: that is possible for ten minutes.');
    $this->post("/bulk/{$bulk->id}");
    Bus::fake();
    $this->post("/bulk/{$bulk->id}/undo");
    $this->post("/bulk/{$bulk->id}/undo");
    Bus::assertDispatchedTimes(App\Bulk\WorkOnBulkChange::class, 1);
});

it('takes each conversation once, however often it is chosen, and none that is not there', function (): void {
    $id = $this->all[0]->id;
    $this->post(
        '/bulk', ['ids' => [$id, (string) $id, 999999], 'change' => 'set_priority:high', 'text' => '', 'view' => 'my-turn']
    )->assertRedirect();
    expect(BulkItem::query()->pluck('conversation_id')->all())->toBe([$id]);
    $this->post('/bulk', ['ids' => ['all'], 'change' => 'set_priority:high'])->assertSessionHasErrors('ids.0');
    $this->post('/bulk', ['ids' => range(1, 5001), 'change' => 'set_priority:high'])->assertSessionHasErrors('ids');
});

it('tells many at once nothing of orders that are somebody else’s', function (): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $template = app(SaveTemplate::class)->save(null, new TemplateToSave('Recall', '', SharedWith::Everybody, null, [
        'en' => ['subject' => null, 'text' => 'Your {{ order.items }} may break.', 'html' => null],
    ], [], []), $this->teammate('mads'));
    $buyer = Mails::conversation(['From' => 'ana@wrenfield.example', 'Subject' => 'a'], 'About B-20388');
    $stranger = Mails::conversation(['From' => 'Ana Wrenfield <ana@freemail.example>', 'Subject' => 'b'], 'About B-20388');
    $bulk = plan([$buyer, $stranger], "template:{$template->id}");
    $this->get("/bulk/{$bulk->id}")->assertSee('One conversation will change.')->assertSee('order.items');
});
