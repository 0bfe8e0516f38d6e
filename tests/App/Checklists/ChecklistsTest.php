<?php

declare(strict_types=1);

use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Checklists\WorkThroughChecklist;
use App\Conversations\Actor;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use Tests\App\Mails;

beforeEach(function (): void {
    $this->conversation = Mails::conversation();
    $this->ilse = $this->teammate('ilse');
    $this->lost = Checklist::query()->where('name', 'Lost parcel')->sole();
    $this->work = app(WorkThroughChecklist::class);
});

function journaled(JournalKind $kind): int
{
    return JournalEntry::query()->where('kind', $kind)->count();
}

it('starts with its steps undone, once in each conversation, however often it is started', function (): void {
    $first = $this->work->start($this->conversation, $this->lost, Actor::teammate($this->ilse));
    $again = $this->work->start($this->conversation, $this->lost, Actor::application(), 'by a rule');
    $elsewhere = $this->work->start(Mails::conversation(['From' => 'una@berg.example']), $this->lost, Actor::teammate($this->ilse));
    expect($again->id)->toBe($first->id)->and($elsewhere->id)->not->toBe($first->id)
        ->and(array_column($first->steps, 'text'))->toBe($this->lost->steps)
        ->and(array_filter(array_column($first->steps, 'by')))->toBe([])
        ->and(journaled(JournalKind::ChecklistStarted))->toBe(2);
});

it('keeps who ticked what and when, takes a tick back, and changes nothing by the same again', function (): void {
    $started = $this->work->start($this->conversation, $this->lost, Actor::teammate($this->ilse));
    $this->work->tick($started, 1, true, $this->ilse);
    $this->work->tick($started, 1, true, $this->teammate('mads'));
    $step = $started->refresh()->steps[1];
    expect($step['by'])->toBe('Ilse Norrby')->and($step['at'])->not->toBeNull()->and($started->steps[0]['by'])->toBeNull()
        ->and(journaled(JournalKind::ChecklistTicked))->toBe(1);
    $this->work->tick($started, 1, false, $this->teammate('mads'));
    $this->work->tick($started, 1, false, $this->ilse);
    expect($started->refresh()->steps[1]['by'])->toBeNull()->and($started->steps[1]['at'])->toBeNull()
        ->and(journaled(JournalKind::ChecklistTicked))->toBe(2);
});

it('ticks no step that is not there', function (int $step): void {
    $started = $this->work->start($this->conversation, $this->lost, Actor::teammate($this->ilse));
    $before = $started->steps;
    $this->work->tick($started, $step, true, $this->ilse);
    expect($started->refresh()->steps)->toEqual($before)->and(journaled(JournalKind::ChecklistTicked))->toBe(0);
})->with([-1, 3, 9999]);

it('stays as it was started where the list is changed, renamed or retired', function (): void {
    $started = $this->work->start($this->conversation, $this->lost, Actor::teammate($this->ilse));
    $before = $started->steps;
    $this->actingAs($this->teammate('mads'));
    $this->post("/sorting/checklists/{$this->lost->id}", ['name' => 'Parcel gone', 'steps' => "Only one\n\n"])->assertSessionHas('done');
    expect($started->refresh()->steps)
        ->toEqual($before)
        ->and($started->name)
        ->toBe('Lost parcel')
        ->and($this->lost->refresh()->steps)
        ->toBe(['Only one']);

    $this->post("/sorting/checklists/{$this->lost->id}/retire")->assertSessionHas('done');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Lost parcel')->assertSee('Ask the carrier');
    $this->post("/started-checklists/{$started->id}", ['step' => 0, 'done' => 1])->assertSessionHas('done', 'Ticked.');
    // It is not offered any more, and cannot be started by its number either.
    $this->post("/conversations/{$this->conversation->id}/checklists", ['checklist' => $this->lost->id])->assertNotFound();
    $this->post("/sorting/checklists/{$this->lost->id}/bring-back");
    $this->post("/conversations/{$this->conversation->id}/checklists", ['checklist' => $this->lost->id])->assertSessionHas('done');
    expect(StartedChecklist::query()->count())->toBe(1);
});

it('refuses a list without a name, without steps, or of a name there is, and keeps what was written', function (
    array $form, string $field
): void {
    $count = Checklist::query()->count();
    $this->actingAs($this->teammate('mads'))->get('/sorting/checklists');
    $refused = $this->post('/sorting/checklists', $form);
    $field === '' ? $refused->assertSessionHas('problem') : $refused->assertSessionHasErrors($field);
    expect(Checklist::query()->count())->toBe($count)->and(session()->getOldInput('steps'))->toBe($form['steps'] ?? null);
})->with([
    'no name' => [['name' => ' ', 'steps' => 'One'], 'name'],
    'a name there is' => [['name' => 'Lost parcel', 'steps' => 'One'], 'name'],
    'a long name' => [['name' => str_repeat('x', 81), 'steps' => 'One'], 'name'],
    'no steps' => [['name' => 'Empty'], 'steps'],
    'a category that is not there' => [['name' => 'Odd', 'steps' => 'One', 'category' => 999999], 'category'],
]);

it('shows what a step says as text, in whatever language and length', function (): void {
    $this->actingAs($this->teammate('mads'));
    $this->post(
        '/sorting/checklists', ['name' => 'Odd', 'steps' => "<b>Ask</b> & wait\n返品を確認する\n".str_repeat('long ', 100)]
    )->assertSessionHas('done');
    $odd = Checklist::query()->where('name', 'Odd')->sole();
    expect($odd->steps[0])->toBe('<b>Ask</b> & wait')->and(mb_strlen($odd->steps[2]))->toBeLessThanOrEqual(300);
    $this->work->start($this->conversation, $odd, Actor::teammate($this->ilse));
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('<b>Ask</b> & wait')
        ->assertDontSee('<b>Ask</b>', false)
        ->assertSee('返品を確認する');
});
