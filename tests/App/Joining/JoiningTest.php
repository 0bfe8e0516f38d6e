<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\PlaceInQueue;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

beforeEach(function (): void {
    $this->actingAs($this->teammate('ilse'));
    foreach (['one' => '08:00', 'two' => '09:00', 'three' => '10:00'] as $name => $at) {
        CarbonImmutable::setTestNow("2026-11-23T{$at}:00Z");
        $this->{$name} = Mails::conversation(
            ['Subject' => "Matter {$name}", 'From' => "{$name}@x.example", 'Message-ID' => "<{$name}@x.example>"], "I am {$name}."
        );
    }
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
});

it('joins several chosen into one, with all messages in the order of time and every customer', function (): void {
    $ids = [$this->two->id, $this->one->id, $this->three->id];
    $this->get('/join?'.http_build_query(['ids' => $ids]))
        ->assertOk()
        ->assertSee('Join 3 conversations into one')
        ->assertSee('Matter three');
    $this->post('/join', ['into' => $this->two->id, 'ids' => $ids])->assertRedirect("/conversations/{$this->two->id}");
    $this->get("/conversations/{$this->two->id}")->assertSeeInOrder(['I am one.', 'I am two.', 'I am three.'])
        ->assertSee('one@x.example')->assertSee('three@x.example');
    $this->get("/conversations/{$this->one->id}")->assertRedirect("/conversations/{$this->two->id}");
    expect($this->two->refresh()->waiting_since)->toEqual($this->one->refresh()->created_at);
    $this->get('/queue/my-turn')->assertSee('Matter two')->assertDontSee('Matter one');
});

it('has later replies to any of them arrive in the one that stays', function (): void {
    $this->post("/conversations/{$this->one->id}/join", ['other' => $this->two->number()])->assertSessionHas('done');
    $this->post("/conversations/{$this->three->id}/join", ['other' => 'c-'.$this->one->id])->assertSessionHas('done');
    foreach (['one', 'two', 'three'] as $name) {
        $taken = Mails::take(
            Mails::raw(['From' => "{$name}@x.example", 'In-Reply-To' => "<{$name}@x.example>"], "Again {$name}")
        );
        expect($taken->outcome?->conversation)->toBe($this->three->id);
    }
});

it('separates them again as they were before', function (): void {
    $this->answer($this->one, 'We look into it');
    $columns = ['state', 'owner_id', 'waiting_since', 'due_at', 'outcome_id', 'next_up', 'last_message_at'];
    $before = [$this->one->refresh()->only($columns), $this->two->refresh()->only($columns)];
    $this->post("/conversations/{$this->one->id}/join", ['other' => (string) $this->two->id]);
    expect($this->one->refresh()->state)->toBe(ConversationState::Open);
    $this->post("/conversations/{$this->two->id}/separate")->assertSessionHas('done');
    expect([$this->one->refresh()->only($columns), $this->two->refresh()->only($columns)])->toEqual($before)
        ->and($this->two->joined_into_id)->toBeNull();
    $this->post("/conversations/{$this->two->id}/separate")->assertSessionHas('problem');
});

it('gives an answer that went out in between to the one that it answered', function (): void {
    $this->post("/conversations/{$this->one->id}/join", ['other' => (string) $this->two->id]);
    // By the way of whoever wrote last.
    $this->answer($this->one->refresh(), 'To the second');
    $this->post("/conversations/{$this->two->id}/separate");
    expect($this->one->refresh()->state)
        ->toBe(ConversationState::Open)
        ->and($this->two->refresh()->state)
        ->toBe(ConversationState::Waiting);
});

it('refuses to join into itself, in a circle, into what is joined, or what is not there', function (): void {
    $join = fn (Conversation $into, string $other) => $this->post("/conversations/{$into->id}/join", ['other' => $other]);
    $join($this->one, $this->one->number())->assertSessionHas(
        'problem', 'A conversation cannot be joined into itself. Write the number of another one.'
    );
    $join($this->one, $this->two->number());
    $join($this->two, $this->one->number())->assertSessionHas(
        'problem', 'One of the two is part of another conversation already. Look there.'
    );
    $join($this->three, $this->two->number())->assertSessionHas('problem');
    $join($this->three, 'C-999999')->assertSessionHas(
        'problem', 'There is no conversation “C-999999”. Its number stands under its subject, such as C-1042.'
    );
    $join($this->three, 'x; drop')->assertSessionHas('problem');
    $this->post('/join', ['into' => $this->three->id, 'ids' => [$this->three->id]])->assertSessionHas('problem');
    $this->get('/join?ids[]=5')->assertRedirect('/queue');
    expect($this->two->refresh()->joined_into_id)->toBe($this->one->id)->and($this->three->refresh()->joined_into_id)->toBeNull();
});

it('joins all or none', function (): void {
    $this->post(
        "/conversations/{$this->one->id}/resolve",
        ['outcome' => App\Sorting\Outcome::query()->value('id'), 'seen' => App\Conversations\Journal\JournalEntry::query()->max('id')]
    );
    $this->post("/conversations/{$this->one->id}/state", ['state' => 'closed']);
    $this->post(
        '/join', ['into' => $this->three->id, 'ids' => [$this->one->id, $this->two->id, $this->three->id]]
    )->assertSessionHas('problem');
    expect($this->two->refresh()->joined_into_id)->toBeNull();
});

it('splits a message off into a conversation of its own, and joining undoes it', function (): void {
    $this->answer($this->one, 'The kite is on its way');
    $other = Mails::take(
        Mails::raw(['From' => 'one@x.example', 'In-Reply-To' => '<one@x.example>'], 'By the way, do you sell tails?')
    )->outcome?->message;
    $this->post("/messages/{$other}/split")->assertRedirect();
    $own = Conversation::query()->latest('id')->firstOrFail();
    $this->get("/conversations/{$own->id}")->assertSee('do you sell tails?')->assertDontSee('I am one.');
    $this->get("/conversations/{$this->one->id}")
        ->assertDontSee('do you sell tails?')
        ->assertSee("A message was split off into {$own->number()} by Ilse Norrby");
    expect($own->state)->toBe(ConversationState::Open)->and($own->waiting_since)->not->toBeNull()
        ->and($this->one->refresh()->state)->toBe(ConversationState::Waiting)->and($this->one->waiting_since)->toBeNull()
        ->and($own->next_up)->toBeLessThan(PlaceInQueue::NOT_OPEN);
    $this->post("/conversations/{$this->one->id}/join", ['other' => (string) $own->id]);
    $this->get("/conversations/{$this->one->id}")->assertSeeInOrder(['I am one.', 'The kite is on its way', 'do you sell tails?']);
});

it('does not split off the only message, nor what we wrote', function (): void {
    $message = Message::query()->where('conversation_id', $this->one->id)->sole();
    $this->post("/messages/{$message->id}/split")->assertSessionHas(
        'problem', 'It is the only message of this conversation: there is nothing to split it off from.'
    );
    $ours = $this->answer($this->one, 'Ours');
    $this->post("/messages/{$ours->id}/split")->assertSessionHas('problem', 'Only what the customer wrote can be split off.');
    $this->actingAs($this->teammate('femi'))->post("/messages/{$message->id}/split")->assertForbidden();
});
