<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\Outbox\DeliverDue;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

beforeEach(function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 10]);
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->actingAs($this->teammate('ilse'));
});

it('calls an answer back before it leaves: nothing is sent, all is as before, the text is a draft again', function (): void {
    $before = $this->conversation->refresh()->only([
        'state', 'waiting_since', 'due_at', 'first_replied_at', 'owner_id', 'next_up', 'preview',
    ]);
    $message = $this->answer($this->conversation, 'It leaves today, I promise.');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Leaves in a few seconds.')->assertSee('Call back');
    $this->post("/messages/{$message->id}/call-back")->assertSessionHas('done');
    CarbonImmutable::setTestNow(now()->addMinute());
    (new DeliverDue)->handle();
    expect($this->sender->delivered)->toBe([])
        ->and($this->conversation->refresh()->only(array_keys($before)))->toEqual($before)
        ->and(Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->value('text'))->toBe('It leaves today, I promise.');
    $this->get("/conversations/{$this->conversation->id}")
        ->assertSee('Called back before it was on its way by Ilse Norrby')
        ->assertSee('it was not sent.');
});

it('sends what is not called back, and then it is too late', function (): void {
    $message = $this->answer($this->conversation, 'On its way');
    expect($this->sender->delivered)->toBe([]);
    CarbonImmutable::setTestNow(now()->addSeconds(11));
    (new DeliverDue)->handle();
    expect($this->sender->delivered)->toHaveCount(1);
    $this->post("/messages/{$message->id}/call-back")->assertSessionHas(
        'problem', 'It is on its way already and cannot be called back any more.'
    );
    $this->get("/conversations/{$this->conversation->id}")->assertDontSee('Leaves in a few seconds.');
});

it('lets only its author call it back', function (): void {
    $message = $this->answer($this->conversation, 'Mine');
    $this->actingAs($this->teammate('mads'))
        ->post("/messages/{$message->id}/call-back")
        ->assertSessionHas('problem', 'Only who wrote it calls it back.');
    $this->get("/conversations/{$this->conversation->id}")->assertDontSee('call-back"', false);
    expect(Message::query()->find($message->id)?->called_back_at)->toBeNull();
});

it('keeps it our turn when the customer wrote in between', function (): void {
    $message = $this->answer($this->conversation, 'Too quick');
    Mails::take(Mails::raw(['In-Reply-To' => '<first@hruby.example>'], 'One more thing'));
    $since = $this->conversation->refresh()->waiting_since;
    $this->post("/messages/{$message->id}/call-back")->assertSessionHas('done');
    expect($this->conversation->refresh()->state)
        ->toBe(ConversationState::Open)
        ->and($this->conversation->waiting_since)
        ->toEqual($since)
        ->and($this->conversation->preview)
        ->toContain('One more thing');
});

it('keeps what somebody else did with it in these seconds', function (): void {
    $message = $this->answer($this->conversation, 'Too quick');
    $this->actingAs($this->teammate('mads'))->post(
        "/conversations/{$this->conversation->id}/owner", ['owner' => $this->teammate('ruta')->id]
    );
    $this->post("/conversations/{$this->conversation->id}/hold", ['reason' => 'Carrier', 'until' => 'customer']);
    $this->actingAs($this->teammate('ilse'))->post("/messages/{$message->id}/call-back")->assertSessionHas('done');
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Held)
        ->and($this->conversation->owner_id)->toBe($this->teammate('ruta')->id)
        ->and($this->conversation->waiting_since)->not->toBeNull()
        ->and($this->conversation->first_replied_at)->toBeNull();
});
