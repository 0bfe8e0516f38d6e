<?php

declare(strict_types=1);

use App\Answering\AnswerRoutes;
use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * One matter came three ways, was joined, was answered and answered back by each of them, and is separated again.
 */

beforeEach(function (): void {
    $this->actingAs($this->teammate('ilse'));
    CarbonImmutable::setTestNow('2026-11-23T08:00:00Z');
    $this->mail = Mails::conversation(
        ['Subject' => 'Late', 'From' => 'Ana <ana@wrenfield.example>', 'Message-ID' => '<mail@x.example>'], 'By mail.'
    );
    CarbonImmutable::setTestNow('2026-11-23T09:00:00Z');
    Services::take(Channel::Pennon, Services::direct('By a direct message.'));
    $this->direct = Conversation::query()->latest('id')->firstOrFail();
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Services::take(Channel::Marrowby, Services::orderMessage('By the marketplace.'));
    $this->market = Conversation::query()->latest('id')->firstOrFail();
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    $this->join = fn () => $this->post('/join', [
        'into' => $this->mail->id, 'ids' => [$this->mail->id, $this->direct->id, $this->market->id],
    ])->assertRedirect();
    $this->separate = function (): void {
        CarbonImmutable::setTestNow(now()->addMinutes(5));
        $this->post("/conversations/{$this->direct->id}/separate")->assertSessionHas('done');
        $this->post("/conversations/{$this->market->id}/separate")->assertSessionHas('done');
    };
    // By the way that answers one of the three.
    $this->by = function (Conversation $way, string $text): Message {
        CarbonImmutable::setTestNow(now()->addMinute());
        $routes = app(AnswerRoutes::class)->of($this->mail->refresh());
        $route = collect($routes)->firstWhere(fn ($one) => $one->account->id === $way->account_id);
        $this->post("/conversations/{$this->mail->id}/reply", [
            'text' => $text, 'then' => 'waiting', 'route' => $route->key, 'once' => (string) Str::uuid(), 'seen' => JournalEntry::query()
                ->max('id'),
        ])->assertSessionHas('done');

        return Message::query()->where('direction', Message::OUT)->latest('id')->firstOrFail();
    };
    $this->said = fn (Conversation $in): array => Message::query()->where('conversation_id', $in->id)->orderBy('id')->pluck('text')
        ->map(static fn (string $text): string => trim($text))->all();
    $this->state = fn (): array => array_map(
        static fn (Conversation $one): array => [
            $one->refresh()->state, $one->waiting_since?->format('H:i'), $one->public, $one->joined_into_id,
        ],
        [$this->mail, $this->direct, $this->market]
    );
});

it('gives each of them back as it was where nothing came in between', function (): void {
    $before = ($this->state)();
    ($this->join)();
    ($this->separate)();
    expect(($this->state)())->toEqual($before);
});

it('gives an answer to the one by whose way it went, and leaves the others waiting', function (): void {
    ($this->join)();
    ($this->by)($this->direct, 'We look into it.');
    expect($this->mail->refresh()->state)->toBe(ConversationState::Waiting);
    ($this->separate)();
    expect(($this->said)($this->direct))->toBe(['By a direct message.', 'We look into it.'])
        ->and(($this->said)($this->mail))->toBe(['By mail.'])
        ->and(($this->said)($this->market))->toBe(['By the marketplace.'])
        ->and(($this->state)())->toEqual([
            [ConversationState::Open, '08:00', false, null],
            [ConversationState::Waiting, null, false, null],
            [ConversationState::Open, '10:00', false, null],
        ]);
    $this->get("/conversations/{$this->direct->id}")->assertSeeInOrder(['By a direct message.', 'We look into it.']);
    $this->get("/conversations/{$this->mail->id}")->assertSee('By mail.')->assertDontSee('We look into it.');
});

it('gives what they answered back in turn to the right one, too', function (): void {
    ($this->join)();
    ($this->by)($this->direct, 'First to you.');
    $answer = ($this->by)($this->mail, 'Then to you.');
    CarbonImmutable::setTestNow(now()->addMinute());
    Mails::take(Mails::raw(['From' => 'ana@wrenfield.example', 'In-Reply-To' => "<{$answer->message_id}>"], 'Thanks, by mail.'));
    CarbonImmutable::setTestNow(now()->addMinute());
    Services::take(Channel::Pennon, Services::direct('And by a direct message.'));
    ($this->separate)();
    expect(($this->said)($this->mail))->toBe(['By mail.', 'Then to you.', 'Thanks, by mail.'])
        ->and(($this->said)($this->direct))->toBe(['By a direct message.', 'First to you.', 'And by a direct message.'])
        ->and(($this->said)($this->market))->toBe(['By the marketplace.'])
        ->and(array_column(($this->state)(), 0))->toBe([ConversationState::Open, ConversationState::Open, ConversationState::Open])
        ->and(array_column(($this->state)(), 1))->toBe(['11:03', '11:04', '10:00']);
});

it('keeps what a person did with it in between', function (): void {
    ($this->join)();
    ($this->by)($this->direct, 'We look into it.');
    $this->post("/conversations/{$this->mail->id}/priority", ['priority' => 'urgent']);
    $this->post("/conversations/{$this->mail->id}/tags", ['give' => 'Festival']);
    ($this->separate)();
    expect($this->mail->refresh()->priority->value)->toBe('urgent')
        ->and($this->mail->tags()->pluck('name')->all())->toBe(['Festival'])
        ->and($this->mail->state)->toBe(ConversationState::Open)
        ->and($this->direct->refresh()->priority->value)->toBe('normal')
        ->and($this->direct->tags()->exists())->toBeFalse();
});

it('keeps public where it was public', function (): void {
    Services::take(Channel::Pennon, Services::post('@brindlekites where is it?', ['author' => '@bo']));
    $public = Conversation::query()->latest('id')->firstOrFail();
    expect($public->public)->toBeTrue();
    $this->post('/join', ['into' => $this->mail->id, 'ids' => [$this->mail->id, $public->id]]);
    expect($this->mail->refresh()->public)->toBeTrue();
    $this->post("/conversations/{$public->id}/separate")->assertSessionHas('done');
    expect($this->mail->refresh()->public)->toBeFalse()->and($public->refresh()->public)->toBeTrue();
});
