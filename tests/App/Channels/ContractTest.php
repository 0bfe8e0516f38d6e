<?php

declare(strict_types=1);

use App\Answering\AnswerRoutes;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Customers\Handle;
use App\Receiving\Calls\WriteDownCall;
use App\Team\Teammate;
use App\Workspace\Trail;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use Tests\App\AppTestCase;
use Tests\App\FilledForm;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * What every way in holds to, whatever it is. A channel without an entry in arrives() fails.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Http::fake(['*' => Http::response(['id' => 'x900'])]);
});

/**
 * Something said by a customer, as it comes by this way. The same id is the same thing, however often it comes.
 */
function arrives(AppTestCase $test, Channel $channel, string $text, string $id = 'one'): void
{
    $at = '2026-11-23T09:58:00Z';
    match ($channel) {
        Channel::Email => Mails::take(
            Mails::raw(
                [
                    'From' => 'Karin Dahl <karin@dahl.example>', 'Message-ID' => "<{$id}@dahl.example>",
                    'Content-Type' => 'text/plain; charset=utf-8',
                ],
                $text
            )
        ),
        Channel::Pennon => Services::take($channel, Services::direct($text, ['id' => "d-{$id}", 'from' => '@karindahl', 'sent_at' => $at])),
        Channel::Snapline => Services::take($channel, [
            'id' => Services::id('e'), 'type' => 'talk-message', 'at' => $at,
            'data' => ['message' => [
                'id' => "m-{$id}", 'person' => ['user' => 'karindahl', 'shown' => 'Karin Dahl'], 'text' => $text,
                'ours' => false, 'at' => $at, 'version' => 1, 'gone' => false,
            ]],
        ]),
        Channel::Marrowby => Services::take($channel, Services::orderMessage($text, ['id' => "mm-{$id}", 'sent_at' => $at])),
        Channel::Quaymart => Services::take($channel, Services::entry($text, [], ['id' => "n-{$id}", 'when' => $at])),
        Channel::WebForm => fillInOnce($test, $text, $id),
        Channel::Telephone => app(WriteDownCall::class)->write($test->teammate('ilse'), 'karin@dahl.example', $text, $id),
        default => throw new LogicException("ContractTest does not know how something arrives by {$channel->value}."),
    };
}

function fillInOnce(AppTestCase $test, string $text, string $id): void
{
    Auth::forgetGuards();
    static $forms = [];
    $form = $forms[spl_object_id($test).$id] ??= FilledForm::on($test->get('/forms/contact')->assertOk(), '/forms/contact');
    $test->travel(30)->seconds();
    $form->send($test, ['name' => 'Karin Dahl', 'email' => 'karin@dahl.example', 'text' => $text])->assertSuccessful();
}

/**
 * @return list<Channel>
 */
function waysIn(): array
{
    return array_values(array_filter(Channel::cases(), static fn (Channel $channel): bool => $channel->bringsMessages()));
}

function replyTo(Conversation $conversation, Teammate $teammate, string $text, ?string $route = null): Message
{
    return app(SendReply::class)->send(
        $conversation, $teammate,
        new ReplyToSend(
            $text, [], ConversationState::Waiting, null, Str::uuid()->toString(), app(Trail::class)->lastSeen($conversation), $route
        )
    );
}

it('makes a conversation of what somebody says, with who it is, and shows it in the queue', function (Channel $channel): void {
    arrives($this, $channel, 'Where is the "red" kite & its bag?');
    $conversation = Conversation::query()->sole();
    $message = $conversation->messages()->where('direction', Message::IN)->sole();
    expect($conversation->channel)->toBe($channel)
        ->and($conversation->state)->toBe(ConversationState::Open)
        ->and($conversation->due_at)->not->toBeNull()
        ->and($message->text)->toContain('Where is the "red" kite & its bag?')
        ->and($message->account->channel)->toBe($channel)
        ->and(Handle::query()->where('customer_id', $conversation->customer_id)->exists())->toBeTrue();
    $this->actingAs($this->teammate('ilse'))
        ->get('/queue/my-turn')
        ->assertSee("/conversations/{$conversation->id}", false)
        ->assertSee($channel->label());
})->with(waysIn(...));

it('takes the same thing once, however often it comes', function (Channel $channel): void {
    arrives($this, $channel, 'Only once, please.');
    arrives($this, $channel, 'Only once, please.');
    expect(Message::query()->where('direction', Message::IN)->count())->toBe(1)->and(Conversation::query()->count())->toBe(1);
})->with(waysIn(...));

it('takes card numbers out before anything is stored', function (Channel $channel): void {
    arrives($this, $channel, 'My card is 4111 1111 1111 1111, charge it.');
    foreach (
        [
            'messages' => ['text', 'html'], 'conversations' => ['subject'], 'channel_items' => ['text'],
            'search_documents' => ['words'],
        ] as $table => $columns
    ) {
        foreach ($columns as $column) {
            if (Schema::hasColumn($table, $column)) {
                expect(DB::table($table)->where($column, 'like', '%4111 1111%')->count())->toBe(0, "{$table}.{$column}");
            }
        }
    }
    expect(Message::query()->where('direction', Message::IN)->sole()->text)->toContain('1111]');
})->with(waysIn(...));

it('shows nothing of what is said as anything but text', function (Channel $channel): void {
    arrives($this, $channel, 'Look: <script>alert(1)</script> <img src=x onerror=alert(2)>');
    $conversation = Conversation::query()->sole();
    $this->actingAs($this->teammate('ilse'));
    foreach (["/conversations/{$conversation->id}", '/queue/my-turn', '/public'] as $page) {
        $this->get($page)->assertOk()->assertDontSee('<script>alert', false)->assertDontSee('<img src=x', false);
    }
})->with(waysIn(...));

it('answers by a way that the customer reads, and keeps what is to be sent in one row', function (Channel $channel): void {
    arrives($this, $channel, 'Hello?');
    $conversation = Conversation::query()->sole();
    $routes = app(AnswerRoutes::class)->of($conversation);
    expect($routes)->not->toBe([]);
    $route = $routes[0];
    expect($route->account->channel)->toBe($channel->takesAnswers() ? $channel : Channel::Email);
    $before = OutboxItem::query()->count();
    $answer = replyTo($conversation, $this->teammate('ilse'), 'It is on its way.', $route->key);
    expect(OutboxItem::query()->count())->toBe($before + 1)
        ->and($answer->outboxItem()->sole()->recipients)->toContain($route->to)
        ->and($conversation->refresh()->state)->toBe(ConversationState::Waiting)
        ->and($conversation->owner->name)->toBe('Ilse Norrby');
})->with(waysIn(...));

it('refuses what the other side would refuse, before it is on its way', function (Channel $channel): void {
    $longest = $channel->type()->longestAnswer();
    arrives($this, $channel, 'Hello?');
    $conversation = Conversation::query()->sole();
    $count = Message::query()->count();
    expect(
        fn () => replyTo($conversation, $this->teammate('ilse'), str_repeat('é', $longest + 1))
    )->toThrow(ConversationRefused::class, (string) $longest);
    expect(Message::query()->count())->toBe($count);
    replyTo($conversation, $this->teammate('ilse'), str_repeat('é', max(1, $longest - 200)));
    expect(Message::query()->count())->toBe($count + 1);
})->with(fn () => array_filter(waysIn(), static fn (Channel $channel): bool => $channel->type()->longestAnswer() !== null));

it('brings what is said later to the same conversation, open again', function (Channel $channel): void {
    arrives($this, $channel, 'Hello?');
    $conversation = Conversation::query()->sole();
    replyTo($conversation, $this->teammate('ilse'), 'It is on its way.', app(AnswerRoutes::class)->of($conversation)[0]->key);
    CarbonImmutable::setTestNow('2026-11-23T11:00:00Z');
    if ($channel->takesAnswers() && $channel !== Channel::Email) {
        arrives($this, $channel, 'And when?', 'two');
    } else {
        $answer = Message::query()->where('direction', Message::OUT)->where('automatic', false)->sole();
        Mails::take(
            Mails::raw(['From' => 'karin@dahl.example', 'In-Reply-To' => "<{$answer->message_id}>", 'Subject' => 'Re: x'], 'And when?')
        );
    }
    expect(Conversation::query()->count())->toBe(1)->and($conversation->refresh()->state)->toBe(ConversationState::Open);
})->with(waysIn(...));

it('has a form to connect it and one to change it, which never show a secret', function (Channel $channel): void {
    $account = Services::account($channel);
    $this->actingAs($this->teammate('corin'))->get("/accounts/new?channel={$channel->value}")->assertOk()->assertSee($channel->label());
    $page = $this->get("/accounts/{$account->id}")->assertOk()->assertSee($account->title());
    foreach (array_filter($account->secrets) as $secret) {
        $page->assertDontSee((string) $secret, false);
    }
    expect($channel->type()->description())->not->toBe('')->and($channel->icon())->not->toBe('')->and($channel->label())->not->toBe('');
})->with(Channel::cases());

it('stays as it was where its form is saved untouched, secrets too', function (Channel $channel): void {
    $account = Services::account($channel)->refresh();
    $of = static fn (): array => $account->refresh()->only([
        'address', 'sender_name', 'signature', 'team_id', 'settings', 'secrets', 'arrivals', 'state',
    ]);
    $before = $of();
    $form = FilledForm::on($this->actingAs($this->teammate('corin'))->get("/accounts/{$account->id}"), "/accounts/{$account->id}");
    $form->send($this)->assertSessionDoesntHaveErrors()->assertRedirect();
    $after = $of();
    $plain = static fn (array $values): array => array_filter(
        $values, static fn (mixed $value): bool => $value !== null && $value !== '' && $value !== []
    );
    expect(['settings' => $plain($after['settings']), 'arrivals' => $plain($after['arrivals'] ?? [])] + $after)
        ->toEqual(['settings' => $plain($before['settings']), 'arrivals' => $plain($before['arrivals'] ?? [])] + $before);
})->with(Channel::cases());

it('is paused and goes on, and says so', function (Channel $channel): void {
    $account = Services::account($channel);
    $this->actingAs($this->teammate('corin'))->post("/accounts/{$account->id}/pause")->assertSessionHas('done');
    expect($account->refresh()->state)->toBe(AccountState::Paused);
    $this->get("/accounts/{$account->id}")->assertSee('Go on');
    $this->post("/accounts/{$account->id}/pause")->assertSessionHas('done');
    expect($account->refresh()->state)->toBe(AccountState::Active);
})->with(Channel::cases());
