<?php

declare(strict_types=1);

use App\Answering\ScheduledReply;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Sorting\Outcome;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\FilledForm;
use Tests\App\Mails;

/*
 * An answer that is refused, called back or called off comes back as it was in the form, with everything chosen in it.
 */

beforeEach(function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 30]);
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->actingAs($this->teammate('ilse'));
    $this->at = "/conversations/{$this->conversation->id}";
    $this->written = [
        'text' => "Both are on us.\n\nIlse", 'then' => 'resolved', 'outcome' => (string) Outcome::query()->where('name', 'Sent again')
            ->value('id'),
        'subject' => 'Two spars', 'cc' => 'workshop@brindle.example', 'bcc' => 'books@brindle.example', 'own_name' => '1',
        'when' => 'unless', 'days' => '5', 'at' => '2026-11-30T08:15',
    ];
    $this->send = fn (array $form = []) => $this->post("{$this->at}/reply", [
        ...$this->written, 'seen' => JournalEntry::query()->where('conversation_id', $this->conversation->id)->max('id'),
        'once' => (string) Str::uuid(), ...$form,
    ]);
    // Browsers end the lines of a text in their own way.
    $toUnix = static fn (string $value): string => str_replace("\r\n", "\n", $value);
    $this->form = fn ($page = null) => array_map($toUnix, array_intersect_key(
        FilledForm::on($page ?? $this->get($this->at)->assertOk(), "{$this->at}/reply")->values(), $this->written
    ));
});

it('keeps all of it where sending is refused', function (array $wrong): void {
    ($this->send)($wrong)->assertSessionHas('problem');
    expect(($this->form)())->toEqual([...$this->written, ...$wrong])
        ->and(ScheduledReply::query()->exists())->toBeFalse()
        ->and(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
})->with([
    'a file is missing' => [['text' => 'I have attached the list.']],
    'a copy has no address' => [['cc' => 'nobody']],
    'a placeholder is not filled' => [['text' => 'Your order {{ order.number }} left.']],
    'its time has passed' => [['when' => 'at', 'at' => '2026-11-20T08:15']],
]);

it('keeps all of it where something came in between, and goes on from there', function (): void {
    $seen = (int) JournalEntry::query()->where('conversation_id', $this->conversation->id)->max('id');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'One more thing'));
    $page = ($this->send)(['when' => 'now', 'seen' => $seen])->assertStatus(409);
    expect(($this->form)($page))->toEqual([...$this->written, 'when' => 'now'])
        ->and(($this->form)())->toEqual([...$this->written, 'when' => 'now']);
    FilledForm::on($page, "{$this->at}/reply")->send($this)->assertSessionHas('done');
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Resolved)
        ->and($this->conversation->outcome?->name)->toBe('Sent again')
        ->and(Message::query()->where('direction', Message::OUT)->sole()->cc)->toBe(['workshop@brindle.example']);
    // Sent, it is gone: the next one begins with what is usual.
    expect(($this->form)()['then'])->toBe('waiting')->and(($this->form)()['cc'])->toBe('');
});

it('comes back whole when it is called back', function (): void {
    $steps = ['add_tag=batch K', 'set_priority=high'];
    foreach ($steps as $step) {
        $this->post("{$this->at}/draft-steps", ['step' => $step, 'steps' => $steps]);
    }
    ($this->send)(['when' => 'now', 'steps' => $steps])->assertSessionHas('done');
    $message = Message::query()->where('direction', Message::OUT)->sole();
    $this->post("/messages/{$message->id}/call-back")->assertSessionHas('done');
    expect(($this->form)())->toEqual([...$this->written, 'when' => 'now'])
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('comes back whole when it is called off, by whom or what ever', function (Closure $callOff): void {
    ($this->send)()->assertSessionHas('done');
    expect(($this->form)()['text'])->toBe('');
    $callOff->call($this, ScheduledReply::query()->sole());
    expect(ScheduledReply::query()->sole()->state)->toBe(ScheduledReply::CALLED_OFF)->and(($this->form)())->toEqual($this->written);
})->with([
    'by hand' => [fn (ScheduledReply $later) => $this->post("/scheduled/{$later->id}/call-off")->assertSessionHas('done')],
    'by another' => [fn (ScheduledReply $later) => $this->actingAs($this->teammate('mads'))->post("/scheduled/{$later->id}/call-off")
        ->assertSessionHas('done') && $this->actingAs($this->teammate('ilse'))],
    'by the customer’s answer' => [fn () => Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'It came!'))],
]);

it('is kept whole while it is written', function (): void {
    $written = [...$this->written, 'once' => (string) Str::uuid()];
    $this->post("{$this->at}/drafts/reply", $written)->assertOk()->assertSee('draft kept');
    expect(($this->form)())->toEqual($this->written);
    // A box that is no longer ticked is not in what is sent.
    $this->post("{$this->at}/drafts/reply", [...array_diff_key($written, ['own_name' => 1]), 'cc' => '']);
    expect(($this->form)()['cc'])->toBe('')->and(($this->form)()['own_name'] ?? null)->toBeFalsy();
    // A page that is left in a hurry sends the text alone.
    $this->post("{$this->at}/drafts/reply", ['text' => 'In a hurry', 'once' => (string) Str::uuid()]);
    expect(($this->form)())->text->toBe('In a hurry')->subject->toBe($this->written['subject']);
});

it('puts what was begun since below what comes back, and keeps the choices of that', function (): void {
    ($this->send)(['when' => 'now', 'text' => 'The first one'])->assertSessionHas('done');
    $this->post("{$this->at}/drafts/reply", ['text' => 'The second one', 'once' => (string) Str::uuid()]);
    $this->post('/messages/'.Message::query()->where('direction', Message::OUT)->value('id').'/call-back')->assertSessionHas('done');
    expect(($this->form)())->toEqual([...$this->written, 'when' => 'now', 'text' => "The first one\n\nThe second one"]);
});
