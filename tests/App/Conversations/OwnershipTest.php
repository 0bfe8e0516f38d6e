<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Answering\Draft;
use App\Conversations\CameInBetween;
use App\Conversations\CheckNothingCameInBetween;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Note;
use App\Sorting\Category;
use Illuminate\Support\Str;
use Tests\App\Mails;

it('gives a conversation to somebody, and back to nobody, and writes down who did', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('mads'));
    $this->post(
        "/conversations/{$conversation->id}/owner", ['owner' => $this->teammate('ruta')->id]
    )->assertSessionHas('done', 'It lies with Ruta Kalnina.');
    $this->post("/conversations/{$conversation->id}/owner", ['owner' => ''])->assertSessionHas('done', 'It is nobody’s yet.');
    $this->get("/conversations/{$conversation->id}")
        ->assertSee('Given to Ruta Kalnina by Mads Overgaard')
        ->assertSee('Given back: nobody’s yet by Mads Overgaard');
});

it('refuses an owner, a category or a state that does not exist', function (string $what, array $form): void {
    $conversation = Mails::conversation();
    $before = JournalEntry::query()->count();
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$conversation->id}/{$what}", $form);
    expect(session('problem') ?? session('errors')?->first())->toBeString()->not->toBe('')
        ->and(JournalEntry::query()->count())->toBe($before);
})->with([
    ['owner', ['owner' => 999999]],
    ['category', ['category' => 999999]],
    ['state', ['state' => 'resolved']],
    ['state', ['state' => 'lost']],
    ['hold', ['reason' => 'x', 'bring_back_at' => 'tomorrow']],
]);

it('gives nothing by hand that is not there any more', function (string $what, callable $form, string $problem): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$conversation->id}/{$what}", $form($this))
        ->assertSessionHas('problem', $problem);
    expect($conversation->refresh()->only(['owner_id', 'category_id']))->toBe(['owner_id' => null, 'category_id' => null]);
})->with([
    'somebody who has left' => ['owner', function ($test): array {
        $test->teammate('ruta')->forceFill(['may_sign_in' => false])->save();

        return ['owner' => $test->teammate('ruta')->id];
    }, 'Choose a person; this one is not in the team any more.'],
    'a retired category' => ['category', function (): array {
        $category = Category::query()->whereNotNull('parent_id')->firstOrFail();
        $category->forceFill(['retired_at' => now()])->save();

        return ['category' => $category->id];
    }, 'Choose a category; this one is not there any more.'],
]);

it('writes nothing into the journal where nothing changed', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$conversation->id}/take");
    $before = JournalEntry::query()->count();
    $this->post("/conversations/{$conversation->id}/take")->assertSessionHas('done');
    $this->post("/conversations/{$conversation->id}/state", ['state' => 'open'])->assertSessionHas('done');
    $this->post("/conversations/{$conversation->id}/category", ['category' => ''])->assertSessionHas('done');
    expect(JournalEntry::query()->count())->toBe($before);
});

it('writes a note once, however often its form is sent, and forgets its draft', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$conversation->id}/drafts/note", ['text' => 'Batch', 'once' => Str::uuid()->toString()])->assertOk();
    $form = ['text' => "Batch K <b>again</b>\nsecond line", 'once' => Str::uuid()->toString()];
    $this->post("/conversations/{$conversation->id}/notes", $form);
    $this->post("/conversations/{$conversation->id}/notes", $form);
    expect(Note::query()->count())->toBe(1)->and(Draft::query()->count())->toBe(0);
    $this->get("/conversations/{$conversation->id}")->assertSee('Batch K <b>again</b>')->assertDontSee('<b>again</b>', false);
});

it('refuses an empty note', function (): void {
    $conversation = Mails::conversation();
    expect(
        fn () => app(AddNote::class)->add($conversation, $this->teammate('ilse'), " \n ", 'once')
    )->toThrow(ConversationRefused::class, 'empty');
});

it('tells apart what others must not miss and what they may', function (JournalKind $kind, bool $stops): void {
    $conversation = Mails::conversation();
    $seen = (int) $conversation->journal()->max('id');
    (new JournalEntry)->forceFill([
        'conversation_id' => $conversation->id, 'actor' => 'teammate', 'teammate_id' => $this->teammate('mads')->id,
        'kind' => $kind, 'details' => ['from' => 'waiting', 'to' => 'open'], 'at' => now(),
    ])->save();
    $check = fn () => app(CheckNothingCameInBetween::class)->since($conversation, $seen, $this->teammate('ilse'));
    $stops ? expect($check)->toThrow(CameInBetween::class) : expect($check())->toBeNull();
})->with([
    'a note' => [JournalKind::Noted, true],
    'a state' => [JournalKind::StateChanged, true],
    'a failed delivery' => [JournalKind::DeliveryFailed, true],
    'an owner' => [JournalKind::OwnerChanged, false],
    'a category' => [JournalKind::CategoryChanged, false],
    'a delivery' => [JournalKind::Delivered, false],
]);
