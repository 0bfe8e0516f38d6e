<?php

declare(strict_types=1);

use App\Bulk\BulkChange;
use App\Bulk\BulkItem;
use App\Channels\DeliverDue;
use App\Channels\OutboxItem;
use App\Fields\OwnField;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Inbox\Message;
use App\Inbox\Outcome;
use App\Inbox\Tag;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Bus;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->all = array_map(static fn (string $name): Conversation => Mails::conversation(['Subject' => "From {$name}", 'From' => "{$name}@x.example"]), ['ann', 'bea', 'cid']);
    $this->actingAs($this->teammate('ilse'));
});

/**
 * Plans a change to those given.
 *
 * @param  list<Conversation>  $conversations
 */
function plan(array $conversations, string $change, string $text = ''): BulkChange
{
    test()->post('/bulk', ['ids' => array_map(static fn (Conversation $one): int => $one->id, $conversations), 'change' => $change, 'text' => $text, 'view' => 'my-turn'])->assertRedirect();

    return BulkChange::query()->latest('id')->firstOrFail();
}

it('shows first what would change, and changes nothing', function (): void {
    $this->all[1]->forceFill(['owner_id' => $this->teammate('ilse')->id])->save();
    $bulk = plan($this->all, "owner:{$this->teammate('ilse')->id}");
    $this->get("/bulk/{$bulk->id}")->assertOk()->assertSee('Give to Ilse Norrby')->assertSee('2 conversations will change.')->assertSee('One is left alone.')->assertSee('it lies with them already');
    expect($this->all[0]->refresh()->owner_id)->toBeNull();
    $this->actingAs($this->teammate('mads'))->get("/bulk/{$bulk->id}")->assertForbidden();
    $this->post("/bulk/{$bulk->id}")->assertForbidden();
});

it('makes each kind of change, and undoes it exactly', function (string $change, string $text, Closure $made): void {
    $this->actingAs($this->teammate('mads'))->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $field = OwnField::query()->sole();
    $tag = App\Inbox\ChangeTags::named('Old');
    foreach ($this->all as $conversation) {
        $conversation->tags()->attach($tag->id);
    }
    $this->post("/conversations/{$this->all[0]->id}/fields", ['fields' => [$field->id => 'J']]);
    $ids = ['ILSE' => $this->teammate('ilse')->id, 'BENCH' => App\Team\Team::query()->where('name', 'Returns bench')->value('id'), 'LATE' => App\Inbox\Category::query()->where('name', 'Late parcel')->value('id'), 'OUTCOME' => Outcome::query()->value('id'), 'TAG' => $tag->id, 'FIELD' => $field->id];
    $before = array_map(static fn (Conversation $one): array => [...$one->refresh()->only(['owner_id', 'team_id', 'category_id', 'state', 'outcome_id', 'waiting_since', 'due_at', 'junk', 'next_up']), 'priority' => $one->priority->value, 'tags' => $one->tags()->pluck('name')->all()], $this->all);
    $bulk = plan($this->all, strtr($change, $ids), $text);
    $this->post("/bulk/{$bulk->id}");
    foreach ($this->all as $conversation) {
        expect($made($conversation->refresh()))->toBeTrue();
    }
    $this->get("/bulk/{$bulk->id}")->assertSee('3 conversations were changed.')->assertSee('Undo it');
    $this->post("/bulk/{$bulk->id}/undo");
    $after = array_map(static fn (Conversation $one): array => [...$one->refresh()->only(['owner_id', 'team_id', 'category_id', 'state', 'outcome_id', 'waiting_since', 'due_at', 'junk', 'next_up']), 'priority' => $one->priority->value, 'tags' => $one->tags()->pluck('name')->all()], $this->all);
    expect($after)->toEqual($before)->and($bulk->refresh()->state)->toBe(BulkChange::UNDONE);
    $this->get("/conversations/{$this->all[0]->id}")->assertSee('Undone: ')->assertSee('value="J"', false);
})->with([
    'owner' => ['owner:ILSE', '', fn (Conversation $one): bool => $one->owner?->name === 'Ilse Norrby'],
    'team' => ['team:BENCH', '', fn (Conversation $one): bool => $one->team?->name === 'Returns bench'],
    'category' => ['category:LATE', '', fn (Conversation $one): bool => $one->category?->name === 'Late parcel'],
    'priority' => ['priority:urgent', '', fn (Conversation $one): bool => $one->priority->value === 'urgent'],
    'a new tag' => ['tag:', 'Festival', fn (Conversation $one): bool => $one->tags()->where('name', 'Festival')->exists()],
    'a tag taken' => ['untag:TAG', '', fn (Conversation $one): bool => ! $one->tags()->exists()],
    'a field' => ['field:FIELD', 'K', fn (Conversation $one): bool => OwnField::query()->sole()->values()->where('about_id', $one->id)->value('text') === 'K'],
    'resolve' => ['resolve:OUTCOME', '', fn (Conversation $one): bool => $one->state === ConversationState::Resolved && $one->outcome_id !== null],
    'junk' => ['junk:', '', fn (Conversation $one): bool => $one->junk],
]);

it('leaves alone what somebody else has changed since it was chosen', function (): void {
    $bulk = plan($this->all, 'resolve:'.Outcome::query()->value('id'));
    $this->answer($this->all[0], 'I have this one', 'mads');
    Mails::take(Mails::raw(['From' => 'bea@x.example', 'Subject' => 'Re: From bea ['.$this->all[1]->number().']']));
    $this->post("/bulk/{$bulk->id}");
    expect($this->all[0]->refresh()->state)->toBe(ConversationState::Waiting)
        ->and($this->all[1]->refresh()->state)->toBe(ConversationState::Open)
        ->and($this->all[2]->refresh()->state)->toBe(ConversationState::Resolved);
    $this->get("/bulk/{$bulk->id}")->assertSee('it was changed in between by Mads Overgaard')->assertSee('it was changed in between by the customer, who wrote');
});

it('undoes nothing that somebody has gone on with, and nothing after ten minutes', function (): void {
    $bulk = plan($this->all, 'priority:high');
    $this->post("/bulk/{$bulk->id}");
    $this->answer($this->all[0], 'Gone on', 'mads');
    $this->post("/bulk/{$bulk->id}/undo");
    expect($this->all[0]->refresh()->priority->value)->toBe('high')->and($this->all[1]->refresh()->priority->value)->toBe('normal');
    $this->get("/bulk/{$bulk->id}")->assertSee('somebody has gone on with it since');

    $later = plan([$this->all[2]], 'priority:low');
    $this->post("/bulk/{$later->id}");
    CarbonImmutable::setTestNow(now()->addMinutes(11));
    $this->post("/bulk/{$later->id}/undo")->assertSessionHas('problem');
    expect($this->all[2]->refresh()->priority->value)->toBe('low');
});

it('answers all with one text that is called back when it is undone in time', function (): void {
    config(['cairnfield.outbox.bulk_call_back_seconds' => 60]);
    $bulk = plan($this->all, 'answer:', 'The festival is put off by a week.');
    $this->post("/bulk/{$bulk->id}");
    expect(OutboxItem::query()->where('state', OutboxItem::DUE)->count())->toBe(3)->and($this->all[0]->refresh()->state)->toBe(ConversationState::Waiting)->and($this->sender->delivered)->toBe([]);
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
    expect(BulkItem::query()->where('bulk_change_id', $again->id)->value('reason'))->not->toBe('')->and($this->all[1]->refresh()->state)->toBe(ConversationState::Waiting);
});

it('takes all that a view holds, also beyond the page', function (): void {
    $this->post('/bulk?owner=nobody', ['change' => 'priority:high', 'all' => 1, 'view' => 'my-turn'])->assertRedirect();
    expect(BulkItem::query()->count())->toBe(3);
    $this->get('/queue/my-turn')->assertSee('data-pick', false)->assertSee('all of “My turn”');
});

it('refuses what makes no sense, with the reason', function (): void {
    $this->post('/bulk', ['change' => 'priority:high', 'view' => 'my-turn'])->assertSessionHas('problem', 'No conversation is chosen. Choose some with X, or with the boxes beside them.');
    $ids = ['ids' => [$this->all[0]->id]];
    $this->post('/bulk', [...$ids, 'change' => 'paint:red'])->assertSessionHas('problem', 'Choose what is to be done with them.');
    $this->post('/bulk', [...$ids, 'change' => 'category:999999'])->assertSessionHas('problem', 'The category that was chosen is not there any more. Choose another.');
    $this->post('/bulk', [...$ids, 'change' => 'answer:', 'text' => ' '])->assertSessionHas('problem');
    $this->actingAs($this->teammate('femi'))->post('/bulk', [...$ids, 'change' => 'junk:'])->assertForbidden();
    expect(BulkChange::query()->count())->toBe(0)->and(Tag::query()->count())->toBe(0);
});

it('goes on where it stopped, and begins once however often it is asked', function (): void {
    $bulk = plan($this->all, 'priority:high');
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
        'en' => ['subject' => null, 'text' => '{{ customer.name }}, the festival is put off.', 'html' => null], 'da' => ['subject' => null, 'text' => 'Festivalen er udskudt.', 'html' => null],
    ], [], [Step::of('tag', 'festival'), Step::of('priority', 'low')]), $this->teammate('mads'));
    $this->all[0]->customer->forceFill(['name' => 'Ann Lee'])->save();
    $this->all[1]->forceFill(['language' => 'da'])->save();
    // Nobody is called by their address: here the name is not known.
    $this->all[2]->customer->forceFill(['name' => 'cid@x.example'])->save();
    $bulk = plan($this->all, "template:{$template->id}");
    $this->get("/bulk/{$bulk->id}")->assertSee('Answer with “Put off”, each in their language');
    $this->post("/bulk/{$bulk->id}");
    expect(Message::query()->where('direction', Message::OUT)->orderBy('conversation_id')->pluck('text')->all())->toBe(['Ann Lee, the festival is put off.', 'Festivalen er udskudt.'])
        ->and($this->all[0]->refresh()->tags()->pluck('name')->all())->toBe(['festival'])
        ->and(BulkItem::query()->where('bulk_change_id', $bulk->id)->where('conversation_id', $this->all[2]->id)->value('reason'))->toContain('{{ customer.name }} in line 1 is not filled')
        ->and($this->all[2]->refresh()->state)->toBe(ConversationState::Open)->and($template->refresh()->uses)->toBe(2);
    $this->post("/bulk/{$bulk->id}/undo");
    expect($this->all[0]->refresh()->state)->toBe(ConversationState::Open)->and($this->all[0]->priority->value)->toBe('normal')->and($this->all[0]->tags()->count())->toBe(0)->and($template->refresh()->uses)->toBe(0);
});

it('answers nothing in public with one text for all', function (): void {
    $this->all[0]->forceFill(['public' => true])->save();
    $bulk = plan($this->all, 'answer:', 'The festival is put off.');
    $this->get("/bulk/{$bulk->id}")->assertSee('2 conversations will change.')->assertSee('what was said in public is answered by hand');
});
