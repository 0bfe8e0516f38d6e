<?php

declare(strict_types=1);

use App\Answering\AnswerRoutes;
use App\Answering\Draft;
use App\Answering\Outbox\ComposeOutgoing;
use App\Answering\PartnerThread;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use Illuminate\Support\Str;
use Tests\App\Mails;

beforeEach(function (): void {
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->actingAs($this->teammate('ruta'));
    $this->ask = fn (array $form) => $this->post(
        "/conversations/{$this->conversation->id}/partner",
        [
            'name' => 'Wren Parcel', 'address' => 'desk@wren.example', 'text' => 'Where is WP7720388?',
            'once' => Str::uuid()->toString(), ...$form,
        ]
    );
    $this->asked = fn (): Message => Message::query()
        ->whereNotNull('partner_thread_id')
        ->where('direction', Message::OUT)
        ->latest('id')
        ->firstOrFail();
});

it('asks a partner in a thread of its own and holds the conversation', function (): void {
    ($this->ask)([])->assertSessionHas('done');
    expect($this->conversation->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and($this->conversation->held_reason)
        ->toBe('Wren Parcel was asked')
        ->and($this->conversation->waiting_since)->not->toBeNull()
        ->and(OutboxItem::query()->sole()->recipients)->toBe(['desk@wren.example'])
        ->and(($this->asked)()->in_reply_to)->toBeNull();
    $this->get("/conversations/{$this->conversation->id}")->assertSeeInOrder([
        'Wren Parcel', 'was asked by Ruta Kalnina', 'the customer never sees this', 'Where is WP7720388?',
    ]);
});

it('comes back when they answer, without making the customer wait anew or writing to the partner by mistake', function (): void {
    ($this->ask)([]);
    $since = $this->conversation->refresh()->waiting_since;
    Mails::take(
        Mails::raw(
            ['From' => 'Desk <desk@wren.example>', 'In-Reply-To' => '<'.($this->asked)()->message_id.'>', 'Subject' => 'Re: parcel'],
            'It lies in Aarhus.'
        )
    );
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Open)->and($this->conversation->waiting_since)->toEqual($since)
        ->and(array_map(static fn ($route): string => $route->to, app(AnswerRoutes::class)->of($this->conversation)))
        ->toBe(['tomas@hruby.example'])
        ->and(PartnerThread::query()->sole()->answered_at)->not->toBeNull();
    $this->get("/conversations/{$this->conversation->id}")->assertSeeInOrder([
        'Wren Parcel', 'answered', 'It lies in Aarhus.', 'Open again: Wren Parcel answered',
    ]);
});

it('knows the partner by the address, too, and the customer by what they refer to', function (): void {
    ($this->ask)([]);
    Mails::take(Mails::raw(['From' => 'desk@wren.example', 'Subject' => 'About ['.$this->conversation->number().']'], 'Found it.'));
    $theirs = Message::query()->where('from_address', 'desk@wren.example')->sole();
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'Any news?'));
    expect($theirs->partner_thread_id)->not->toBeNull()
        ->and(Message::query()->where('text', 'like', 'Any news?%')->sole()->partner_thread_id)->toBeNull()
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('stays held when only a machine answers', function (): void {
    ($this->ask)([]);
    Mails::take(
        Mails::raw(
            ['From' => 'desk@wren.example', 'In-Reply-To' => '<'.($this->asked)()->message_id.'>', 'Auto-Submitted' => 'auto-replied'],
            'We got your question.'
        )
    );
    expect($this->conversation->refresh()->state)
        ->toBe(ConversationState::Held)
        ->and(PartnerThread::query()->sole()->answered_at)
        ->toBeNull();
});

it('goes on in the same thread, each message referring to the last', function (): void {
    ($this->ask)([]);
    $first = ($this->asked)();
    ($this->ask)(['thread' => PartnerThread::query()->value('id'), 'text' => 'And the second parcel?', 'name' => '', 'address' => '']);
    expect(PartnerThread::query()->count())->toBe(1)->and(($this->asked)()->in_reply_to)->toBe($first->message_id);
});

it('never tells the customer: neither quoted, nor forwarded, nor in what is answered', function (): void {
    ($this->ask)(['text' => 'Inside words about the carrier']);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$this->conversation->id}/forward")->assertDontSee('Inside words');
    $answer = $this->answer($this->conversation->refresh(), 'We found it.');
    expect(
        app(App\Channels\Mail\MailComposer::class)->compose(
            app(ComposeOutgoing::class)->ofMessage($answer, $answer->account, [])
        )->toString()
    )->not->toContain('Inside words');
});

it('refuses what is no question, and keeps what was written', function (): void {
    ($this->ask)(['text' => ' '])->assertSessionHas('problem');
    ($this->ask)(['address' => 'nowhere', 'text' => 'Where is it?'])->assertSessionHas('problem');
    expect(Draft::for($this->conversation, $this->teammate('ruta'), Draft::PARTNER)->value('text'))
        ->toBe('Where is it?')
        ->and(PartnerThread::query()->exists())
        ->toBeFalse();
});

it('knows the partner, too, after the conversation was joined into another', function (): void {
    ($this->ask)([]);
    $question = ($this->asked)();
    $other = Mails::conversation(['Subject' => 'The same kite', 'From' => 'tomas.work@hruby.example']);
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$other->id}/join", ['other' => $this->conversation->number()])
        ->assertSessionHas('done');
    Mails::take(Mails::raw(['From' => 'desk@wren.example', 'In-Reply-To' => "<{$question->message_id}>"], 'It lies in Aarhus.'));
    $answer = Message::query()->where('from_address', 'desk@wren.example')->sole();
    expect($answer->partner_thread_id)->not->toBeNull()->and($answer->conversation_id)->toBe($other->id)
        ->and(array_map(static fn ($route): string => $route->to, app(AnswerRoutes::class)->of($other->refresh())))
        ->not->toContain('desk@wren.example');
});
