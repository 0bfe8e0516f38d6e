<?php

declare(strict_types=1);

use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Conversations\BringBackHeld;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Notifications\News;
use App\Sorting\Outcome;
use App\Tasks\KeepTasks;
use App\Tasks\Task;
use Carbon\CarbonImmutable;
use Sabre\VObject\Reader;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->task = fn (array $form = []) => $this->post(
        "/conversations/{$this->conversation->id}/tasks",
        ['title' => 'Ask the workshop', 'assignee' => $this->teammate('femi')->id, 'due_at' => '2026-11-24T09:00', 'remind' => 60, ...$form]
    );
});

it('writes a task down for somebody, on the trail and on their list, and ticks it off', function (): void {
    ($this->task)()->assertSessionHas('done');
    $this->get("/conversations/{$this->conversation->id}")->assertSee(
        'Task for Femi Adewale: Ask the workshop by Ilse Norrby'
    )->assertSeeInOrder(['Tasks', 'Ask the workshop', 'Femi, Tue 09:00']);
    $this->get('/tasks')->assertDontSee('Ask the workshop');
    $this->actingAs($this->teammate('femi'))->get('/tasks')->assertSee('Ask the workshop')->assertSee($this->conversation->number());
    $task = Task::query()->sole();
    $this->post("/tasks/{$task->id}", ['done' => 1]);
    $this->post("/tasks/{$task->id}", ['done' => 1]);
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Task done: Ask the workshop by Femi Adewale');
    expect(JournalEntry::query()->where('kind', 'task_done')->count())->toBe(1);
    $this->get('/tasks')->assertSee('Done in the last seven days (1)');
    $this->post("/tasks/{$task->id}", ['done' => 0]);
    expect($task->refresh()->done_at)->toBeNull();
});

it('refuses a task that was due already', function (): void {
    ($this->task)(['due_at' => '2026-11-23T10:59'])->assertSessionHas(
        'problem', 'The time by which it is to be done has passed already. Choose a later one.'
    );
    ($this->task)(['title' => '', 'due_at' => 'soon'])->assertSessionHasErrors(['title', 'due_at']);
    expect(Task::query()->exists())->toBeFalse();
});

it('reminds once, before it falls due', function (): void {
    ($this->task)();
    ($this->task)(['title' => 'No reminder', 'remind' => '']);
    app(KeepTasks::class)->remind();
    expect(News::query()->exists())->toBeFalse();
    CarbonImmutable::setTestNow('2026-11-24T07:00:00Z');
    app(KeepTasks::class)->remind();
    app(KeepTasks::class)->remind();
    expect(News::query()->sole()->text)->toBe(
        "Due Tue 24 Nov 09:00: Ask the workshop in {$this->conversation->number()} “Where is my kite”"
    );
});

it('gives each person a calendar that programs can read', function (): void {
    ($this->task)();
    $this->conversation->forceFill(['owner_id' => $this->teammate('femi')->id])->save();
    $this->post("/conversations/{$this->conversation->id}/hold", ['reason' => 'Carrier', 'bring_back_at' => '2026-11-25T09:00']);
    $this->actingAs($this->teammate('femi'))->post('/tasks/calendar')->assertSessionHas('done');
    $key = $this->teammate('femi')->calendar_key;
    $this->post('/sign-out');
    $feed = $this->get("/calendar/{$key}.ics")->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    $calendar = Reader::read((string) $feed);
    $events = array_map(
        static fn ($event): string => "{$event->DTSTART} {$event->SUMMARY}", iterator_to_array($calendar->select('VEVENT'), false)
    );
    expect($events)->toBe(
        [
            "20261124T080000Z Ask the workshop ({$this->conversation->number()})",
            "20261125T080000Z Comes back: Where is my kite ({$this->conversation->number()})",
        ]
    )
        ->and((string) $feed)->toContain('TRIGGER:-PT60M')->toContain('REFRESH-INTERVAL;VALUE=DURATION:PT15M')
        ->and($calendar->validate())->toBe([]);
    foreach ($calendar->select('VEVENT') as $event) {
        // Nobody else's calendar has the same, and nothing was written in the future.
        expect((string) $event->UID)->toMatch('/^(task|back)-\d+@[0-9a-f]{32}\.cairnfield\.invalid$/D')
            ->and($event->DTSTAMP->getDateTime()->getTimestamp())->toBeLessThanOrEqual(now()->getTimestamp());
    }
    $again = Reader::read((string) $this->get("/calendar/{$key}.ics")->getContent());
    expect((string) $again->VEVENT->UID)->toBe((string) $calendar->VEVENT->UID);
    $this->get('/calendar/'.str_repeat('x', 40).'.ics')->assertNotFound();
    $this->actingAs($this->teammate('femi'))->post('/tasks/calendar');
    $this->get("/calendar/{$key}.ics")->assertNotFound();
});

it('goes through a checklist, each tick on the trail', function (): void {
    $checklist = Checklist::query()->where('name', 'Damaged on arrival')->sole();
    $this->post("/conversations/{$this->conversation->id}/checklists", ['checklist' => $checklist->id])->assertSessionHas('done');
    $this->post("/conversations/{$this->conversation->id}/checklists", ['checklist' => $checklist->id]);
    $started = StartedChecklist::query()->sole();
    $this->post("/started-checklists/{$started->id}", ['step' => 1, 'done' => 1])->assertSessionHas('done');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Damaged on arrival')
        ->assertSee('1 of 5')
        ->assertSee('Ticked: Read the batch letter inside the keel by Ilse Norrby');
    $this->post("/started-checklists/{$started->id}", ['step' => 1, 'done' => 0]);
    $this->post("/started-checklists/{$started->id}", ['step' => 99, 'done' => 1]);
    expect($started->refresh()->doneCount())->toBe(0)->and(JournalEntry::query()->where('kind', 'checklist_ticked')->count())->toBe(2);
    // What it was when it was started stays, whatever becomes of the checklist.
    $this->actingAs($this->teammate('mads'))->post(
        "/sorting/checklists/{$checklist->id}", ['name' => 'Damaged', 'steps' => "One\n\n Two "]
    )->assertSessionHas('done');
    expect($checklist->refresh()->steps)->toBe(['One', 'Two'])->and($started->refresh()->steps)->toHaveCount(5);
    $this->post("/sorting/checklists/{$checklist->id}/retire");
    $this->post("/conversations/{$this->conversation->id}/checklists", ['checklist' => $checklist->id])->assertNotFound();
    $this->actingAs($this->teammate('ilse'))->get('/sorting/checklists')->assertForbidden();
});

it('comes back after working hours, at a time, or only when the customer writes', function (): void {
    $hold = fn (array $form) => $this->post("/conversations/{$this->conversation->id}/hold", ['reason' => 'Carrier', ...$form]);
    // Monday 11:00 in Copenhagen: six hours are left today, two more from Tuesday 9:00.
    $hold(['until' => 'hours', 'hours' => 8])->assertSessionHas('done');
    expect($this->conversation->refresh()->bring_back_at?->toIso8601ZuluString())->toBe('2026-11-24T10:00:00Z');
    $hold(['until' => 'customer', 'bring_back_at' => '2026-11-24T09:00']);
    expect($this->conversation->refresh()->bring_back_at)->toBeNull();
    $hold(['until' => 'time', 'bring_back_at' => '2026-11-23T09:00'])->assertSessionHas(
        'problem', 'The time to bring it back has passed already. Choose a later one.'
    );
    Mails::take(Mails::raw(['From' => 'tomas@hruby.example', 'Subject' => 'Re: ['.$this->conversation->number().'] Where is my kite']));
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('brings a resolved one back at a time', function (): void {
    $this->post("/conversations/{$this->conversation->id}/bring-back", ['at' => '2026-11-24T09:00'])->assertSessionHas('problem');
    $this->post(
        "/conversations/{$this->conversation->id}/resolve",
        ['outcome' => Outcome::query()->value('id'), 'seen' => JournalEntry::query()->max('id')]
    );
    $this->post("/conversations/{$this->conversation->id}/bring-back", ['at' => '2026-11-20T09:00'])->assertSessionHas('problem');
    $this->post("/conversations/{$this->conversation->id}/bring-back", ['at' => '2026-11-24T09:00'])->assertSessionHas('done');
    app(BringBackHeld::class)();
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Resolved);
    CarbonImmutable::setTestNow('2026-11-24T08:01:00Z');
    app(BringBackHeld::class)();
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open);
    $this->get("/conversations/{$this->conversation->id}")->assertSee('To come back 09:00 by Ilse Norrby');
});
