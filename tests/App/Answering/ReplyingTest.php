<?php

declare(strict_types=1);

use App\Answering\AddNote;
use App\Answering\Draft;
use App\Answering\Outbox\ComposeOutgoing;
use App\Answering\ScheduledReply;
use App\Answering\ScheduleReply;
use App\Channels\Mail\MailComposer;
use App\Conversations\Attachment;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Notifications\News;
use App\Notifications\NewsKind;
use App\Notifications\NotifyFromJournal;
use App\Sorting\ArrangeFields;
use App\Sorting\Outcome;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->actingAs($this->teammate('ilse'));
    $this->send = fn (array $form) => $this->post("/conversations/{$this->conversation->id}/reply", [
        'text' => 'It is on its way.', 'then' => 'waiting', 'seen' => JournalEntry::query()
            ->max('id'), 'once' => Str::uuid()
            ->toString(), ...$form,
    ]);
});

function sentMail(): string
{
    $message = Message::query()->where('direction', Message::OUT)->with('teammate')->latest('id')->firstOrFail();

    return app(MailComposer::class)->compose(app(ComposeOutgoing::class)->ofMessage($message, $message->account, []))->toString();
}

it('sends copies and hidden copies, which the customer sees or does not', function (): void {
    ($this->send)(['cc' => 'boss@hruby.example; Aunt@hruby.example', 'bcc' => '<legal@brindle.example>'])->assertSessionHas('done');
    expect(OutboxItem::query()->latest('id')->firstOrFail()->recipients)->toBe([
        'tomas@hruby.example', 'boss@hruby.example', 'Aunt@hruby.example', 'legal@brindle.example',
    ])
        ->and(sentMail())->toContain('Cc: boss@hruby.example, Aunt@hruby.example')->not->toContain('legal@brindle.example');
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('copy to boss@hruby.example, Aunt@hruby.example')
        ->assertSee('hidden copy to legal@brindle.example');
});

it('refuses what is no address, and keeps what was written', function (): void {
    ($this->send)(['cc' => 'boss(at)hruby'])->assertSessionHas(
        'problem', '“boss(at)hruby” is no address that mail can be sent to. Write it as name@place.example.'
    );
    expect(Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->value('text'))
        ->toBe('It is on its way.')
        ->and(Message::query()->where('direction', Message::OUT)->exists())
        ->toBeFalse();
});

it('answers in one’s own name with one’s own signature, from the shared address', function (): void {
    $this->teammate('ilse')->forceFill(['signature' => "Ilse\nKites and questions"])->save();
    $this->actingAs($this->teammate('ilse'));
    ($this->send)(['own_name' => 1]);
    expect(sentMail())
        ->toContain('From: Ilse Norrby <care@brindle.example>')
        ->toContain('Kites and questions')
        ->not->toContain('Quayside 4');
    ($this->send)([]);
    expect(sentMail())
        ->toContain('From: Brindle Kite Works <care@brindle.example>')
        ->toContain('Quayside 4')
        ->not->toContain('Kites and questions');
});

it('asks once more when a file is spoken of and none goes along', function (): void {
    ($this->send)(['text' => 'The invoice is attached.'])->assertSessionHas(
        'problem', 'You write “attached”, and no file is attached. Attach it, or tick “without a file” and send again.'
    );
    $this->get("/conversations/{$this->conversation->id}")->assertSee('name="without_file"', false)->assertSee('The invoice is attached.');
    ($this->send)([
        'text' => 'The invoice is attached.', 'files' => [UploadedFile::fake()->createWithContent('invoice.txt', 'paid')],
    ])->assertSessionHas('done');
    ($this->send)(['text' => 'It was attached before.', 'without_file' => 1])->assertSessionHas('done');
    ($this->send)(['text' => "Thank you.\n\n> see what I attached"])->assertSessionHas('done');
});

it('keeps an answer to be sent at a time, and sends it then', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00'])->assertSessionHas('done', 'Kept to be sent Tue 09:00.');
    expect($this->sender->delivered)->toBe([])->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('to be sent Tue 09:00')
        ->assertSee('It is on its way.')
        ->assertSee('To be sent Tue 09:00 by Ilse Norrby');
    CarbonImmutable::setTestNow('2026-11-24T07:59:00Z');
    app(ScheduleReply::class)->sendDue();
    expect($this->sender->delivered)->toBe([]);
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    app(ScheduleReply::class)->sendDue();
    app(ScheduleReply::class)->sendDue();
    expect($this->sender->delivered)->toHaveCount(1)->and($this->conversation->refresh()->state)->toBe(ConversationState::Waiting)
        ->and(Message::query()->where('direction', Message::OUT)->sole()->teammate_id)->toBe($this->teammate('ilse')->id);
});

it('does not send it when they answer first, and gives what was written back', function (): void {
    ($this->send)([
        'when' => 'unless', 'days' => 3, 'text' => 'Did the parcel come?',
    ])->assertSessionHas('done', 'Kept to be sent Thu 11:00, unless they answer first.');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'It came, thank you!'));
    expect(ScheduledReply::query()->sole()->state)->toBe(ScheduledReply::CALLED_OFF)
        ->and(Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->value('text'))->toBe('Did the parcel come?');
    CarbonImmutable::setTestNow('2026-11-27T10:00:00Z');
    app(ScheduleReply::class)->sendDue();
    expect($this->sender->delivered)->toBe([]);
    $this->get("/conversations/{$this->conversation->id}")->assertSee(
        'An answer to be sent later was called off (the customer answered first; what was written is a draft again)'
    );
});

it('sends one for a time all the same when they answer, and none for an automatic answer', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'At its time']);
    ($this->send)(['when' => 'unless', 'text' => 'Unless']);
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>', 'Auto-Submitted' => 'auto-replied'], 'I am away.'));
    expect(ScheduledReply::query()->where('state', ScheduledReply::DUE)->count())->toBe(2);
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'Hello?'));
    expect(ScheduledReply::query()->where('state', ScheduledReply::DUE)->sole()->reply['text'])->toBe('At its time');
});

it('is called off or sent at once by hand, and refuses a time that has passed', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-23T10:00'])->assertSessionHas(
        'problem', 'The time to send it has passed already. Choose a later one, or send it now.'
    );
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'First']);
    $first = ScheduledReply::query()->sole();
    $this->actingAs($this->teammate('femi'))->post("/scheduled/{$first->id}/call-off")->assertForbidden();
    $this->actingAs($this->teammate('mads'))->post("/scheduled/{$first->id}/call-off")->assertSessionHas('done');
    $this->post("/scheduled/{$first->id}/call-off")->assertSessionHas('problem');
    $this->actingAs($this->teammate('ilse'));
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'Second']);
    $this->post('/scheduled/'.ScheduledReply::query()->latest('id')->value('id').'/send-now')->assertSessionHas('done');
    expect($this->sender->delivered)->toHaveCount(1)->and(Message::query()->where('direction', Message::OUT)->sole()->text)->toBe('Second');
});

it('forwards what is chosen with its files, unseen by the customer', function (): void {
    $conversation = Mails::conversation(
        ['From' => 'ana@wren.example', 'Message-ID' => '<p@wren.example>', 'Content-Type' => 'multipart/mixed; boundary=x'],
        "--x\r\nContent-Type: text/plain\r\n\r\nLook at this.\r\n--x\r\nContent-Type: image/png; "
            ."name=spar.png\r\nContent-Disposition: attachment; filename=spar.png\r\nContent-Transfer-Encoding: "
            ."base64\r\n\r\niVBORw0KGgo=\r\n--x--\r\n"
    );
    $first = Message::query()->where('conversation_id', $conversation->id)->sole();
    $file = Attachment::query()->where('message_id', $first->id)->sole();
    $this->answer($conversation, 'We ask the workshop.');
    $this->get("/conversations/{$conversation->id}/forward")->assertOk()->assertSee('spar.png')->assertSee('Look at this.');
    $form = [
        'to' => 'workshop@spars.example', 'text' => 'What do you make of it?', 'messages' => [$first->id], 'files' => [$file->id],
        'once' => Str::uuid()->toString(),
    ];
    $this->post("/conversations/{$conversation->id}/forward", $form)->assertSessionHas('done');
    $this->post("/conversations/{$conversation->id}/forward", $form);
    $forwarded = Message::query()->where('forwarded', true)->sole();
    expect($forwarded->text)->toStartWith('What do you make of it?')->toContain('Look at this.')->not->toContain('We ask the workshop.')
        ->and($forwarded->attachments->pluck('name')->all())->toBe(['spar.png'])
        ->and(OutboxItem::query()->where('message_id', $forwarded->id)->sole()->recipients)->toBe(['workshop@spars.example'])
        ->and($conversation->refresh()->state)->toBe(ConversationState::Waiting);
    $this->get("/conversations/{$conversation->id}")->assertSee('forwarded to workshop@spars.example');
    $this->post(
        "/conversations/{$conversation->id}/forward", [...$form, 'to' => 'nobody', 'once' => Str::uuid()->toString()]
    )->assertSessionHas('problem');
    $this->actingAs($this->teammate('femi'))->get("/conversations/{$conversation->id}/forward")->assertForbidden();
});

it('gives those who get copies of everything each message once, in both directions', function (): void {
    $this->post("/conversations/{$this->conversation->id}/copies", ['to' => 'lawyer@law.example'])->assertSessionHas('done');
    ($this->send)([]);
    expect(OutboxItem::query()->latest('id')->firstOrFail()->recipients)->toBe(['tomas@hruby.example', 'lawyer@law.example']);
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'And the second one?'));
    $copy = Message::query()->where('forwarded', true)->sole();
    expect($copy->to)->toBe(['lawyer@law.example'])->and($copy->text)->toContain('And the second one?')->and($copy->automatic)->toBeTrue();
    Mails::take(Mails::raw(['From' => 'lawyer@law.example', 'In-Reply-To' => '<first@hruby.example>'], 'Noted.'));
    expect(Message::query()->where('forwarded', true)->count())->toBe(1);
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Copies of everything go to lawyer@law.example by Ilse Norrby');
});

it('sends rich text as it was written, cleaned, with the plain text beside it', function (): void {
    ($this->send)([
        'text' => 'ignored',
        'html' => '<div>Two things:</div><ul><li><strong>Spar</strong></li><li><a '
            .'href="https://brindle.example/tails">Tail</a></li></ul><script>alert(1)</script><img src="https://x.example/a.png">',
    ]);
    $message = Message::query()->where('direction', Message::OUT)->sole();
    expect($message->html)->toContain('<strong>Spar</strong>')->not->toContain('script')->not->toContain('<img')
        ->and($message->text)->toContain('Two things:')->toContain('Spar')
        ->and(sentMail())->toContain('<strong>Spar</strong>');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('<strong>Spar</strong>', false);
    ($this->send)(['text' => 'Plain', 'html' => '<div>Plain</div>']);
    expect(Message::query()->latest('id')->firstOrFail()->html)->toBeNull();
});

it('keeps copies, name and rich text of an answer that was refused', function (): void {
    ($this->send)([
        'text' => 'x', 'html' => '<strong>It is attached</strong>', 'cc' => 'boss@hruby.example', 'own_name' => 1,
    ])->assertSessionHas('problem');
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('value="boss@hruby.example"', false)
        ->assertSee('value="&lt;strong&gt;It is attached&lt;/strong&gt;"', false);
});

it('goes on in the conversation that took it in: sent there, and called off by an answer there', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'At its time']);
    ($this->send)(['when' => 'unless', 'text' => 'Unless']);
    $other = Mails::conversation(['Subject' => 'The same', 'From' => 'work@hruby.example', 'Message-ID' => '<same@hruby.example>']);
    $this->post("/conversations/{$other->id}/join", ['other' => $this->conversation->number()])->assertSessionHas('done');
    Mails::take(Mails::raw(['From' => 'work@hruby.example', 'In-Reply-To' => '<same@hruby.example>'], 'Hello?'));
    expect(ScheduledReply::query()->where('state', ScheduledReply::CALLED_OFF)->sole()->reply['text'])->toBe('Unless');
    // Its author has read what came since.
    $this->get("/conversations/{$other->id}")->assertOk();
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    app(ScheduleReply::class)->sendDue();
    expect(Message::query()->where('direction', Message::OUT)->sole()->conversation_id)->toBe($other->id);
});

it('does not send it where something came in between that its author has not seen, and tells them', function (Closure $between): void {
    app(NotifyFromJournal::class)->run();
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'At its time', 'cc' => 'boss@hruby.example'])
        ->assertSessionHas('done');
    $between();
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    app(ScheduleReply::class)->sendDue();
    $draft = Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->sole();
    expect(Message::query()->where('text', 'At its time')->exists())->toBeFalse()
        ->and(ScheduledReply::query()->sole())->state->toBe(ScheduledReply::CALLED_OFF)
        ->reason->toContain('something came in between')
        ->and($draft->text)->toBe('At its time')
        ->and($draft->details['cc'])->toBe('boss@hruby.example');
    app(NotifyFromJournal::class)->run();
    expect(News::query()->where('teammate_id', $this->teammate('ilse')->id)->pluck('kind')->all())->toContain(NewsKind::NotSent);
})->with([
    'a colleague’s answer' => [fn () => test()->answer(test()->conversation, 'I was faster.', 'mads')],
    'the customer' => [fn () => Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'It came.'))],
    'a note' => [fn () => app(AddNote::class)->add(test()->conversation, test()->teammate('mads'), 'Do not send it!', 'note-1')],
]);

it('sends it where its author has seen what came in between, and by hand in any case', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'At its time']);
    app(AddNote::class)->add($this->conversation, $this->teammate('mads'), 'He called.', 'note-1');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('He called.');
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    app(ScheduleReply::class)->sendDue();
    expect(Message::query()->where('direction', Message::OUT)->sole()->text)->toBe('At its time');

    ($this->send)(['when' => 'at', 'at' => '2026-11-25T09:00', 'text' => 'By hand']);
    app(AddNote::class)->add($this->conversation, $this->teammate('mads'), 'He called again.', 'note-2');
    $this->post('/scheduled/'.ScheduledReply::query()->latest('id')->value('id').'/send-now')->assertSessionHas('done', 'Sent.');
});

it('is checked when it is planned like one that is sent now', function (): void {
    $seen = (int) JournalEntry::query()->max('id');
    app(AddNote::class)->add($this->conversation, $this->teammate('mads'), 'Wait!', 'note-1');
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'seen' => $seen])->assertSee('Wait!');
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'then' => 'resolved'])->assertSessionHas('problem');
    app(ArrangeFields::class)->make(About::Conversation, 'Batch', FieldKind::Text, [], true);
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'then' => 'resolved', 'outcome' => Outcome::query()->value('id')])
        ->assertSessionHas('problem', fn (string $problem): bool => str_contains($problem, 'Batch'));
    expect(ScheduledReply::query()->count())->toBe(0);
});

it('says who called it off', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00']);
    $this->actingAs($this->teammate('mads'))->post('/scheduled/'.ScheduledReply::query()->value('id').'/call-off');
    expect(ScheduledReply::query()->value('reason'))->toBe('by Mads Overgaard; what was written is a draft again');
});

it('sends nothing that was called off, however often it is asked to send it now', function (): void {
    ($this->send)(['when' => 'at', 'at' => '2026-11-24T09:00', 'text' => 'Never mind']);
    $scheduled = ScheduledReply::query()->sole();
    $this->post("/scheduled/{$scheduled->id}/call-off");
    $this->post("/scheduled/{$scheduled->id}/send-now")->assertSessionHas('problem');
    expect($this->sender->delivered)->toBe([]);
});

it('says where one answers that the account is not connected', function (string $state, bool $isSaid): void {
    $this->conversation->account->forceFill(['state' => $state])->save();
    $page = $this->get("/conversations/{$this->conversation->id}")->assertOk();
    $isSaid ? $page->assertSee("is {$state}: what is answered by it does not leave") : $page->assertDontSee('does not leave until');
})->with([['disconnected', true], ['paused', true], ['active', false]]);
