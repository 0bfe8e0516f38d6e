<?php

declare(strict_types=1);

use App\Answering\AnswerRoute;
use App\Answering\AnswerRoutes;
use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelSender;
use App\Channels\MessageSender;
use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Lookout\OwnPost;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Tests\App\Services;

beforeEach(function (): void {
    $this->app->bind(MessageSender::class, ChannelSender::class);
    Http::fake(['*' => Http::response(['id' => 'p900'])]);
});

/**
 * @return list<AnswerRoute>
 */
function ways(Conversation $conversation): array
{
    return app(AnswerRoutes::class)->of($conversation);
}

function sendBy(
    Tests\App\AppTestCase $test, Conversation $conversation, string $text, ?string $route, array $more = []
): Illuminate\Testing\TestResponse {
    return $test->actingAs($test->teammate('ilse'))->post(
        "/conversations/{$conversation->id}/reply",
        ['text' => $text, 'then' => 'waiting', 'seen' => PHP_INT_MAX, 'once' => Str::uuid()->toString(), 'route' => $route, ...$more]
    );
}

it('asks whether to answer in public or by direct message, and does as it is told', function (): void {
    Services::take(Channel::Pennon, Services::post('@brindlekites where is my kite?', ['id' => 'p77']));
    $conversation = Conversation::query()->sole();
    [$public, $direct] = ways($conversation);
    expect([$public->public, $direct->public])->toBe([true, false]);

    sendBy($this, $conversation, 'On its way', null)->assertSessionHas(
        'problem', fn (string $text): bool => str_contains($text, 'in public')
    );
    expect($conversation->messages()->where('direction', Message::OUT)->count())->toBe(0);
    $this->get("/conversations/{$conversation->id}")->assertSee('On its way');

    sendBy($this, $conversation, 'On its way', $public->key)->assertSessionHas('done');
    Http::assertSent(
        fn (Request $request): bool => str_ends_with($request->url(), '/v1/posts')
            && $request['in_reply_to'] === 'p77'
            && $request['text'] === 'On its way'
            && $request->hasHeader('Idempotency-Key')
    );
    sendBy($this, $conversation, 'Which address?', $direct->key)->assertSessionHas('done');
    Http::assertSent(fn (Request $request): bool => str_ends_with($request->url(), '/v1/directs') && $request['to'] === '@anawren');
    $sent = $conversation->messages()->where('direction', Message::OUT)->orderBy('id')->get();
    expect($sent->pluck('public')->all())->toBe([true, false])->and($sent[0]->outside_id)->toBe('p900');
    $this->get("/conversations/{$conversation->id}")->assertSee('replied in public')->assertSee('replied to @anawren');
});

it('answers each marketplace matter where it belongs', function (array $event, Channel $channel, string $path): void {
    Services::take($channel, $event);
    sendBy($this, Conversation::query()->sole(), 'Thank you', null)->assertSessionHas('done');
    Http::assertSent(fn (Request $request): bool => $request->method() === 'POST' && str_ends_with($request->url(), $path));
})->with([
    'an order message' => [fn () => Services::orderMessage('Where?'), Channel::Marrowby, '/v1/orders/71-4480217/messages'],
    'a rating' => [fn () => Services::rating(2, 'Strap', ['id' => 'mg5']), Channel::Marrowby, '/v1/ratings/mg5/answer'],
    'a thread' => [fn () => Services::entry('Wrong colour'), Channel::Quaymart, '/v1/threads/t1/entries'],
]);

it('does not send what the marketplace would refuse', function (): void {
    Services::take(Channel::Quaymart, Services::entry('Wrong colour'));
    $conversation = Conversation::query()->sole();
    sendBy($this, $conversation, 'Write to care@brindle.example or see https://brindle.example', null)->assertSessionHas(
        'problem', fn (string $text): bool => str_contains($text, 'care@brindle.example, https://brindle.example')
    );
    sendBy($this, $conversation, str_repeat('x', 2001), null)->assertSessionHas(
        'problem', fn (string $text): bool => str_contains($text, '2001 characters')
    );

    Services::take(Channel::Marrowby, Services::rating(2, 'Strap'));
    $rating = Conversation::query()->where('channel', 'marrowby')->sole();
    sendBy($this, $rating, 'It is in the pocket of the bag.', null)->assertSessionHas('done');
    sendBy($this, $rating, 'And once more', null)->assertSessionHas(
        'problem', fn (string $text): bool => str_contains($text, 'one public answer')
    );
});

it('signs answers as the account does, and counts that', function (): void {
    Services::account(Channel::Pennon)->forceFill(['signature' => '/Ilse for Brindle'])->save();
    Services::take(Channel::Pennon, Services::direct('Hello'));
    $conversation = Conversation::query()->sole();
    sendBy($this, $conversation, 'Hello Ana', null)->assertSessionHas('done');
    Http::assertSent(fn (Request $request): bool => ($request->data()['text'] ?? null) === "Hello Ana\n\n/Ilse for Brindle");
    sendBy($this, $conversation, str_repeat('x', 490), null)->assertSessionHas(
        'problem', fn (string $text): bool => str_contains($text, '509 characters')
    );
});

it('tries again when the service has trouble, and leaves it alone for as long as it asks', function (): void {
    Http::swap(new \Illuminate\Http\Client\Factory);
    Http::fake([
        '*/messages' => Http::sequence()->push([], 429, ['Retry-After' => '90'])->push([], 500)->push(['id' => 'mm1']),
        '*' => Http::response([], 404),
    ]);
    Services::take(Channel::Marrowby, Services::orderMessage('Where?'));
    sendBy($this, Conversation::query()->sole(), 'Soon', null);
    $item = OutboxItem::query()->sole();
    expect($item->state)->toBe('due')->and((int) now()->diffInSeconds($item->due_at, true))->toBeGreaterThan(60);
    foreach (range(1, 2) as $_) {
        $this->travelTo($item->refresh()->due_at->addSecond());
        dispatch_sync(new App\Answering\Outbox\DeliverOutboxItem($item->id));
    }
    $keys = collect(
        Http::recorded(fn (Request $request): bool => $request->method() === 'POST')
    )->map(fn (array $pair): array => $pair[0]->header('Idempotency-Key'))->unique();
    expect($item->refresh()->state)->toBe('sent')->and($keys)->toHaveCount(1);
});

it('says on the trail what a service refuses for good', function (): void {
    Http::swap(new \Illuminate\Http\Client\Factory);
    Http::fake(['*' => Http::response(['message' => 'This buyer is gone.'], 410)]);
    Services::take(Channel::Marrowby, Services::orderMessage('Where?'));
    $conversation = Conversation::query()->sole();
    sendBy($this, $conversation, 'Soon', null);
    $this->get("/conversations/{$conversation->id}")->assertSee('This buyer is gone.')->assertSee('Send it again');
});

it('keeps answers of a paused account until it goes on', function (): void {
    Services::take(Channel::Marrowby, Services::orderMessage('Where?'));
    Account::query()->where('channel', 'marrowby')->firstOrFail()->forceFill(['state' => AccountState::Paused])->save();
    sendBy($this, Conversation::query()->sole(), 'Soon', null);
    expect(OutboxItem::query()->sole()->last_error)->toContain('is paused');
    Http::assertNotSent(fn (Request $request): bool => $request->method() === 'POST');
});

it('likes and re-posts, and takes it back', function (): void {
    Services::take(Channel::Pennon, Services::post('@brindlekites thank you!', ['id' => 'p78']));
    $item = ChannelItem::query()->sole();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/public/items/{$item->id}/react", ['what' => 'like'])->assertSessionHas('done');
    Http::assertSent(fn (Request $request): bool => $request->method() === 'PUT' && str_ends_with($request->url(), '/v1/posts/p78/like'));
    expect($item->refresh()->liked_at)->not->toBeNull();
    $this->post("/public/items/{$item->id}/react", ['what' => 'like'])->assertSessionHas('done');
    Http::assertSent(fn (Request $request): bool => $request->method() === 'DELETE');
    expect($item->refresh()->liked_at)->toBeNull();
    $this->get("/conversations/{$item->conversation_id}")->assertSee('Liked in public by Ilse Norrby')->assertSee('Like taken back');
    $this->actingAs($this->teammate('femi'))->post("/public/items/{$item->id}/react", ['what' => 'like'])->assertForbidden();
});

it('posts as a chosen account, once', function (): void {
    $account = Account::query()->where('address', '@brindletrade')->sole();
    $form = ['account' => $account->id, 'text' => 'Cartons for the spring go out on Monday.', 'once' => Str::uuid()->toString()];
    $this->actingAs($this->teammate('mads'))->post('/public/posts', $form)->assertRedirect('/public');
    $this->post('/public/posts', $form)->assertRedirect('/public');
    expect(OwnPost::query()->sole()->state)->toBe('sent');
    Http::assertSentCount(1);
    $this->get('/public')->assertSee('Cartons for the spring');
    $this->post(
        '/public/posts', [...$form, 'text' => str_repeat('x', 501), 'once' => Str::uuid()->toString()]
    )->assertSessionHas('problem');
});
