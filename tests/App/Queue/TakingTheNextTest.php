<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\ScheduledReply;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\TakeConversation;
use App\Workspace\Trail;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\App\AppTestCase;
use Tests\App\Mails;

// A Monday at ten in Copenhagen; answers are due within four working hours.
beforeEach(fn () => CarbonImmutable::setTestNow('2026-11-23T09:00:00Z'));

/**
 * @param  string  $wrote  when; before the weekend is overdue on Monday, on Monday afternoon is due on Tuesday
 */
function waits(string $name, string $wrote, ?string $owner = null): Conversation
{
    $now = CarbonImmutable::now();
    CarbonImmutable::setTestNow($wrote);
    $conversation = Mails::conversation(['Subject' => $name, 'From' => "{$name}@x.example", 'Message-ID' => "<{$name}@x.example>"]);
    if ($owner !== null) {
        $who = test()->teammate($owner);
        app(AssignConversation::class)->assign($conversation, $who, Actor::teammate($who));
    }
    CarbonImmutable::setTestNow($now);
    app(App\Conversations\PlaceInQueue::class)->moveOn();

    return $conversation->refresh();
}

function sendFrom(AppTestCase $test, Conversation $conversation, array $more = []): TestResponse
{
    return $test->post("/conversations/{$conversation->id}/reply", [
        'text' => 'Hello.', 'then' => 'waiting', 'seen' => app(Trail::class)
            ->lastSeen($conversation), 'once' => Str::uuid()
            ->toString(), ...$more,
    ]);
}

it('offers what is one’s own and due, then what is due and nobody’s, then what falls due later', function (): void {
    $ilse = $this->teammate('ilse');
    CarbonImmutable::setTestNow('2026-11-23T15:30:00Z');
    waits('ownlater', '2026-11-23T15:20:00Z', 'ilse');
    waits('nobodyslater', '2026-11-23T15:10:00Z');
    waits('owndue', '2026-11-23T10:00:00Z', 'ilse');
    waits('nobodysdue', '2026-11-20T10:00:00Z');
    waits('madsdue', '2026-11-20T09:00:00Z', 'mads');

    $take = app(TakeConversation::class);
    $now = null;
    $subjects = [];
    while (($now = $take->takeNext($ilse, $now)) !== null) {
        $subjects[] = $now->subject;
        app(ChangeState::class)->hold($now, Actor::teammate($ilse), 'Workshop', null);
        $now->refresh();
    }
    expect($subjects)->toBe(['owndue', 'nobodysdue', 'ownlater', 'nobodyslater'])
        ->and(Conversation::query()->where('owner_id', $ilse->id)->count())->toBe(4);
});

it('passes over the one being looked at, comes back to it last, and never gives what another has', function (): void {
    $ilse = $this->teammate('ilse');
    [$first, $second] = [waits('first', '2026-11-20T09:00:00Z', 'ilse'), waits('second', '2026-11-20T10:00:00Z', 'ilse')];
    waits('another', '2026-11-20T08:00:00Z', 'mads');
    $take = app(TakeConversation::class);
    expect($take->takeNext($ilse)?->id)->toBe($first->id)
        ->and($take->takeNext($ilse, $first)?->id)->toBe($second->id)
        ->and($take->takeNext($ilse, $second)?->id)->toBe($first->id);
    app(ChangeState::class)->hold($second, Actor::teammate($ilse), 'Workshop', null);
    expect($take->takeNext($ilse, $first))->toBeNull();
});

it('goes on to the next one after sending, and says from there what was sent', function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 30]);
    $next = waits('next', '2026-11-20T10:00:00Z');
    $conversation = waits('answered', '2026-11-20T09:00:00Z', 'ilse');
    $this->actingAs($this->teammate('ilse'));
    $sent = sendFrom($this, $conversation, ['then_next' => '1'])->assertRedirect("/conversations/{$next->id}");
    $answer = Message::query()->where('direction', Message::OUT)->sole();
    $sent->assertSessionHas('can_be_called_back', $answer->id);
    $this->get("/conversations/{$next->id}")->assertSee("Sent ({$conversation->number()}")->assertSee("/messages/{$answer->id}/call-back")
        ->assertSee('data-gone-after="30"', false);
    expect($next->refresh()->owner->name)->toBe('Ilse Norrby');

    // Called back from where one is, one is where it was written.
    $this->post("/messages/{$answer->id}/call-back")->assertRedirect("/conversations/{$conversation->id}");
    expect($answer->refresh()->called_back_at)->not->toBeNull()
        ->and(Draft::for($conversation, $this->teammate('ilse'), Draft::REPLY)->sole()->text)->toBe('Hello.')
        ->and($conversation->refresh()->state)->toBe(ConversationState::Open);
});

it('ends at the queue where nothing is left, and can be called back from there, too', function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 30]);
    $conversation = waits('last', '2026-11-20T09:00:00Z', 'ilse');
    $this->actingAs($this->teammate('ilse'));
    sendFrom($this, $conversation, ['then_next' => '1'])->assertRedirect('/queue');
    $this->get('/queue/my-turn')->assertSee('Sent (')->assertSee('Call back');
});

it('goes on after an answer that is kept for later, which is called off elsewhere', function (): void {
    $next = waits('next', '2026-11-20T10:00:00Z', 'ilse');
    $conversation = waits('later', '2026-11-20T09:00:00Z', 'ilse');
    $this->actingAs($this->teammate('ilse'));
    sendFrom($this, $conversation, ['then_next' => '1', 'when' => 'at', 'at' => '2026-11-24T09:00'])
        ->assertRedirect("/conversations/{$next->id}")->assertSessionMissing('can_be_called_back');
    expect(ScheduledReply::query()->sole()->conversation_id)->toBe($conversation->id);
});

it('stays where it is refused, takes nothing meanwhile, and goes on with the next press', function (): void {
    $next = waits('next', '2026-11-20T10:00:00Z');
    $conversation = waits('refused', '2026-11-20T09:00:00Z', 'ilse');
    $this->actingAs($this->teammate('ilse'));
    sendFrom($this, $conversation, ['then_next' => '1', 'text' => ' '])
        ->assertRedirect("/conversations/{$conversation->id}")
        ->assertSessionHas('problem');
    expect($next->refresh()->owner_id)->toBeNull();
    $seen = app(Trail::class)->lastSeen($conversation);
    Mails::take(
        Mails::raw(
            ['In-Reply-To' => '<refused@x.example>', 'From' => 'refused@x.example', 'Subject' => 'Re: refused'],
            "One more thing.\r\n"
        )
    );
    sendFrom($this, $conversation, ['then_next' => '1', 'seen' => $seen])->assertStatus(409)->assertSee('Send, then next');
    expect($next->refresh()->owner_id)->toBeNull()->and(Message::query()->where('direction', Message::OUT)->count())->toBe(0);
    sendFrom($this, $conversation, ['then_next' => '1'])->assertRedirect("/conversations/{$next->id}");
});

it('sends once, whatever is pressed twice, and goes on both times', function (): void {
    waits('next', '2026-11-20T10:00:00Z');
    $conversation = waits('twice', '2026-11-20T09:00:00Z', 'ilse');
    $this->actingAs($this->teammate('ilse'));
    $once = Str::uuid()->toString();
    sendFrom($this, $conversation, ['then_next' => '1', 'once' => $once])->assertRedirect();
    sendFrom($this, $conversation, ['then_next' => '1', 'once' => $once])->assertRedirect();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(1);
});
