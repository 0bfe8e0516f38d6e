<?php

declare(strict_types=1);

use App\Answering\ReplyToSend;
use App\Answering\ScheduledReply;
use App\Answering\ScheduleReply;
use App\Answering\SendReply;
use App\Approvals\AnswerApproval;
use App\Approvals\Approval;
use App\Approvals\ApprovalState;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Notifications\News;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation();
    $this->ask = fn (string $question = 'Give back 40.00 EUR', ?string $of = null) => $this->post(
        "/conversations/{$this->conversation->id}/approvals",
        ['question' => $question, 'of' => $of === null ? '' : (string) $this->teammate($of)->id]
    );
});

it('asks a second person, holds the conversation meanwhile, and goes on with the answer', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)(of: 'mads')->assertSessionHas('done', 'Asked Mads Overgaard. It is held until there is an answer.');
    expect($this->conversation->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and($this->conversation->held_reason)
        ->toBe('approval: Give back 40.00 EUR')
        ->and(News::query()->where('teammate_id', $this->teammate('mads')->id)->sole()->text)
        ->toContain('needs your yes or no: Give back 40.00 EUR');
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('Needs Mads’s yes or no')
        ->assertDontSee('name="do" value="give"', false)
        ->assertSee('Withdraw the question');
    $approval = Approval::query()->sole();
    $this->actingAs($this->teammate('mads'))->get("/conversations/{$this->conversation->id}")->assertSee('name="do" value="give"', false);
    $this->post(
        "/approvals/{$approval->id}", ['do' => 'give', 'answer' => 'But say that it is once only.']
    )->assertSessionHas('done', 'Approved.');
    expect($approval->refresh()->state)
        ->toBe(ApprovalState::Given)
        ->and($this->conversation->refresh()->state)
        ->toBe(ConversationState::Open)
        ->and(News::query()->where('teammate_id', $this->teammate('ilse')->id)->sole()->text)
        ->toContain('“Give back 40.00 EUR”: yes, But say that it is once only.');
    $this->get("/conversations/{$this->conversation->id}")->assertSee(
        'Approved by Mads Overgaard: Give back 40.00 EUR (But say that it is once only.)'
    );
});

it('lets nobody approve what they asked for themselves, nor who was not asked', function (): void {
    $this->actingAs($this->teammate('mads'));
    ($this->ask)(of: 'mads')->assertSessionHas('problem', 'An approval needs a second person: choose somebody else.');
    ($this->ask)()->assertSessionHas('done');
    $approval = Approval::query()->sole();
    $this->post("/approvals/{$approval->id}", ['do' => 'give'])->assertForbidden();
    $this->actingAs($this->teammate('ruta'))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertForbidden();
    $this->post("/approvals/{$approval->id}", ['do' => 'withdraw'])->assertForbidden();
    expect($approval->refresh()->state)->toBe(ApprovalState::Asked);
    $this->actingAs($this->teammate('corin'))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('done');
});

it('wants a reason for a no, and one answer only', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)();
    ($this->ask)('And another')->assertSessionHas('problem');
    $approval = Approval::query()->sole();
    $this->actingAs($this->teammate('mads'));
    $this->post(
        "/approvals/{$approval->id}", ['do' => 'decline', 'answer' => ' ']
    )->assertSessionHas('problem', 'Say why not, so that the others know how to go on.');
    $this->post("/approvals/{$approval->id}", ['do' => 'decline', 'answer' => 'It was worn.'])->assertSessionHas('done', 'Declined.');
    $this->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas(
        'problem', 'This was answered or withdrawn in the meantime.'
    );
    expect($approval->refresh()->state)->toBe(ApprovalState::Declined);
});

it('can be withdrawn by who asked', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)();
    $this->post('/approvals/'.Approval::query()->sole()->id, ['do' => 'withdraw'])->assertSessionHas('done', 'Withdrawn.');
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('goes on where the customer writes meanwhile, and is still answered', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)(of: 'mads');
    Mails::take(Mails::raw(['Subject' => 'Re: ['.$this->conversation->number().'] Where is my kite'], 'Any news?'));
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open);
    $this->actingAs($this->teammate('mads'))->get("/conversations/{$this->conversation->id}")->assertSee('name="do" value="give"', false);
    $this->post('/approvals/'.Approval::query()->sole()->id, ['do' => 'give'])->assertSessionHas('done', 'Approved.');
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open)
        ->and(JournalEntry::query()->where('kind', 'state_changed')->where('details->to', 'open')->count())->toBe(1);
});

it('leaves it held for something else, where somebody has held it for that since', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)(of: 'mads');
    $this->post("/conversations/{$this->conversation->id}/hold", ['reason' => 'The workshop looks at it', 'until' => 'customer']);
    $this->actingAs($this->teammate('mads'))->post('/approvals/'.Approval::query()->sole()->id, ['do' => 'give'])->assertSessionHas('done');
    expect($this->conversation->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and($this->conversation->held_reason)
        ->toBe('The workshop looks at it');
});

it('can be answered by a lead where whoever was asked has left', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->teammate('ruta')->forceFill(['role' => 'lead'])->save();
    ($this->ask)(of: 'ruta');
    $this->teammate('ruta')->forceFill(['may_sign_in' => false])->save();
    $approval = Approval::query()->sole();
    $this->actingAs($this->teammate('mads'))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('done');
    expect($approval->refresh()->answered_by)->toBe($this->teammate('mads')->id);
});

it('is asked of nobody who has left, of no stranger, and about nothing that is closed', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->teammate('ruta')->forceFill(['may_sign_in' => false])->save();
    ($this->ask)(of: 'ruta')->assertSessionHasErrors('of');
    $this->post(
        "/conversations/{$this->conversation->id}/approvals", ['question' => 'May we?', 'of' => '99999']
    )->assertSessionHasErrors('of');
    ($this->ask)(str_repeat('q', 501))->assertSessionHasErrors('question');
    ($this->ask)('  ')->assertSessionHasErrors('question');
    $this->conversation->forceFill(['state' => ConversationState::Closed])->save();
    ($this->ask)();
    expect(Approval::query()->exists())->toBeFalse();
});

it('is seen and answered from the conversation into which its own was joined', function (): void {
    $other = Mails::conversation(['From' => 'Bo Lind <bo@lind.example>', 'Message-ID' => '<bo@x.example>', 'Subject' => 'The same kite']);
    $this->actingAs($this->teammate('ilse'));
    ($this->ask)(of: 'mads');
    $this->post("/conversations/{$other->id}/join", ['other' => (string) $this->conversation->id])->assertSessionHas('done');
    $this->actingAs($this->teammate('mads'))
        ->get("/conversations/{$other->id}")
        ->assertSee('Needs Mads’s yes or no')
        ->assertSee('name="do" value="give"', false);
    $this->post('/approvals/'.Approval::query()->sole()->id, ['do' => 'give'])->assertSessionHas('done');
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Resolved);
    ($this->ask)('And another')->assertRedirect();
});

it('asks first whoever answers while an approval waits, and keeps what was written', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $this->actingAs($ilse)->post("/conversations/{$conversation->id}/approvals", ['question' => 'Send a second kite?']);
    $once = Str::uuid()->toString();
    $answer = fn (array $with = []) => $this->post("/conversations/{$conversation->id}/reply", [
        'text' => 'A second kite is on its way.', 'then' => 'waiting', 'seen' => JournalEntry::query()->max('id'), 'once' => $once,
        ...$with,
    ]);
    $answer()->assertSessionHas('problem_code', 'approval_waits');
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(0);
    $this->get("/conversations/{$conversation->id}")->assertSee('although it waits')->assertSee('A second kite is on its way.')
        ->assertSee('“Send a second kite?” still waits for its yes.');
    $answer(['when' => 'at', 'at' => now()->addDay()->format('Y-m-d\TH:i')])->assertSessionHas('problem_code', 'approval_waits');
    $answer(['despite_approval' => '1'])->assertSessionHas('done', 'Sent.');
    expect(Message::query()->where('direction', Message::OUT)->sole()->text)->toBe('A second kite is on its way.');
});

it('holds nothing back once it is answered, nor what a rule sends by itself', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $this->actingAs($ilse)->post("/conversations/{$conversation->id}/approvals", ['question' => 'Send a second kite?']);
    $send = fn (bool $automatic, string $once) => app(SendReply::class)->send($conversation->refresh(), $ilse, new ReplyToSend(
        'Hello', [], ConversationState::Waiting, null, $once, (int) JournalEntry::query()->max('id'), automatic: $automatic
    ));
    expect(fn () => $send(false, 'one'))->toThrow(ConversationRefused::class, 'still waits for its yes');
    $send(true, 'two');
    app(AnswerApproval::class)->answer(Approval::query()->sole(), true, '', $this->teammate('mads'));
    $send(false, 'three');
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(2);
});

it('asks again where what was to be sent later meets an approval', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $this->actingAs($ilse)->post("/conversations/{$conversation->id}/reply", [
        'text' => 'Tomorrow.', 'then' => 'waiting', 'seen' => JournalEntry::query()->max('id'), 'once' => Str::uuid()->toString(),
        'when' => 'at', 'at' => now()->addHours(30)->format('Y-m-d\TH:i'),
    ])->assertSessionHasNoErrors();
    $this->post("/conversations/{$conversation->id}/approvals", ['question' => 'Send a second kite?']);
    $this->travel(31)->hours();
    app(ScheduleReply::class)->sendDue();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(0)
        ->and(ScheduledReply::query()->sole()->reason)->toContain('still waits for its yes');
});
