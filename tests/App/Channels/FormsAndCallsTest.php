<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Demo\DemoFields;
use App\Fields\OwnValue;
use App\Returns\CustomerReturn;
use App\Returns\ReturnReason;
use App\Returns\ReturnState;
use App\Sorting\Category;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Tests\App\AppTestCase;
use Tests\App\Mails;
use Tests\App\Services;

beforeEach(fn () => Http::fake(['*' => Http::response([], 404)]));

/**
 * The form as a person fills it in: opened, and sent half a minute later.
 *
 * @param  array<string, mixed>  $values
 */
function fillIn(AppTestCase $test, array $values = [], int $seconds = 30): Illuminate\Testing\TestResponse
{
    preg_match('/name="opened" value="([^"]+)"/', (string) $test->get('/forms/contact')->assertOk()->getContent(), $opened);
    $test->travel($seconds)->seconds();

    return $test->post(
        '/forms/contact',
        [
            'opened' => $opened[1], 'name' => 'Odile Fabre', 'email' => 'odile@fabre.example', 'text' => 'Has my kite arrived?',
            'order' => '', ...$values,
        ]
    );
}

it('makes a conversation of a filled form, and sends a receipt with its number', function (): void {
    $category = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $sent = fillIn($this, ['category' => $category->id, 'own' => ['K'], 'files' => [UploadedFile::fake()->image('spar.jpg')]]);
    $conversation = Conversation::query()->sole();
    $sent->assertOk()->assertSee($conversation->number());

    $message = $conversation->messages()->where('direction', Message::IN)->sole();
    $receipt = $conversation->messages()->where('direction', Message::OUT)->sole();
    expect($conversation->channel)->toBe(Channel::WebForm)
        ->and($conversation->category_id)->toBe($category->id)
        ->and($conversation->state->value)->toBe('open')
        ->and($message->text)->toContain('Has my kite arrived?')->toContain('Batch letter, inside the keel: K')
        ->and($message->attachments()->sole()->name)->toBe('spar.jpg')
        ->and($receipt->automatic)->toBeTrue()
        ->and($receipt->subject)->toContain("[{$conversation->number()}]")
        ->and($this->sender->delivered)->toBe([$receipt->once_key]);
});

it('sends nothing of what was typed into a form on to the address that was typed beside it', function (): void {
    fillIn($this, [
        'name' => 'You won! https://prize.example', 'email' => 'victim@elsewhere.example', 'order' => 'visit prize.example',
        'text' => 'Claim your prize at https://prize.example now',
    ]);
    $receipt = Message::query()->where('direction', Message::OUT)->sole();
    expect($receipt->to)->toBe(['victim@elsewhere.example'])
        ->and($receipt->text.$receipt->subject)->toContain('has arrived')->not->toContain('prize')->not->toContain('won');
});

it('sends an address few receipts, whoever typed it, and takes every message all the same', function (): void {
    foreach (range(1, 5) as $time) {
        $this->serverVariables = ['REMOTE_ADDR' => "192.0.2.{$time}"];
        fillIn($this, ['email' => $time % 2 === 0 ? 'Victim@elsewhere.example' : 'victim@elsewhere.example', 'text' => "Number {$time}"]);
    }
    expect(Message::query()->where('direction', Message::IN)->count())->toBe(5)
        ->and(Message::query()->where('direction', Message::OUT)->count())->toBe(3);
    $this->travel(61)->minutes();
    fillIn($this, ['email' => 'victim@elsewhere.example', 'text' => 'Later']);
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(4);
});

it('keeps what was chosen together with the message, so that rules never see one without the other', function (): void {
    app(DemoFields::class)->load();
    $seen = [];
    Event::listen(TransactionCommitted::class, function (TransactionCommitted $committed) use (&$seen): void {
        // The tests' own transaction is the first.
        if ($committed->connection->transactionLevel() === 1 && Message::query()->where('direction', Message::IN)->exists()) {
            $seen[] = OwnValue::query()->pluck('text')->all();
        }
    });
    fillIn($this, ['own' => [DemoFields::BROKE, 'K']]);
    expect($seen)->not->toBe([])->and(array_unique($seen, SORT_REGULAR))->toBe([[DemoFields::BROKE]]);
});

it('answers a form by mail, and goes on in the same conversation', function (): void {
    fillIn($this);
    $conversation = Conversation::query()->sole();
    $answer = $this->answer($conversation, 'It arrived this morning.');
    expect($answer->to)->toBe(['odile@fabre.example'])->and($answer->from_address)->toBe('care@brindle.example');
    Mails::take(
        Mails::raw(['From' => 'odile@fabre.example', 'In-Reply-To' => "<{$answer->message_id}>", 'Subject' => 'Re: x'], 'Thank you')
    );
    expect(Conversation::query()->count())->toBe(1);
});

it('warns the team alone where the order is not of the address', function (string $order, string $email, string $says): void {
    Services::take(
        Channel::Shop,
        Services::order([
            'id' => 'o1', 'number' => 'B-20377', 'sold_on' => null, 'parcels' => [],
            'customer' => [
                'id' => null, 'name' => 'Odile Fabre', 'email' => 'Odile@fabre.example', 'telephone' => null,
                'address' => ['lines' => ['3 rue du Port'], 'country' => 'FR'],
            ],
        ])
    );
    Services::take(Channel::Shop, Services::order());
    fillIn($this, ['order' => $order, 'email' => $email])->assertDontSee('another address')->assertDontSee('not known');
    $message = Message::query()->where('direction', Message::IN)->sole();
    expect(implode(' ', $message->marks))->toContain($says);
})->with([
    ['b 20377', 'somebody@else.example', 'placed with another address'],
    ['71-4480217', 'ana@wrenfield.example', 'cannot be checked'],
    ['B-29999', 'ana@wrenfield.example', 'not known to the shop'],
]);

it('has nothing to warn of where the order is of the address, whatever its case', function (): void {
    Services::take(
        Channel::Shop,
        Services::order([
            'id' => 'o1', 'number' => 'B-20377', 'sold_on' => null, 'parcels' => [],
            'customer' => [
                'id' => null, 'name' => 'Odile Fabre', 'email' => 'Odile@fabre.example', 'telephone' => null,
                'address' => ['lines' => ['3 rue du Port'], 'country' => 'FR'],
            ],
        ])
    );
    fillIn($this, ['order' => 'B-20377', 'email' => 'odile@fabre.example']);
    expect(Message::query()->where('direction', Message::IN)->sole()->marks)->toBe([]);
});

it('finds the order however its number is written', function (string $written): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    fillIn($this, ['order' => $written, 'email' => 'ana@wrenfield.example']);
    expect(Conversation::query()->sole()->orders()->pluck('number')->all())->toBe(['B-20388'])
        ->and(Message::query()->where('direction', Message::IN)->sole()->marks)->toBe([])
        ->and(DB::table('unknown_numbers')->count())->toBe(0);
    $this->actingAs($this->teammate('ilse'))->get('/orders?find='.urlencode($written))->assertSee('B-20388');
    $this->get('/customers?find='.urlencode($written))->assertSee('Ana Wrenfield');
})->with(['20388', '#b20388', 'B 20388', 'b-20388']);

it('keeps what was written when something is missing, and says what', function (): void {
    fillIn($this, ['email' => 'odile at fabre', 'text' => 'Half an hour of writing'])
        ->assertStatus(422)->assertSee('Half an hour of writing')->assertSee('not an email address we could answer to');
    $this->post('/forms/contact', ['name' => 'Odile', 'email' => 'o@f.example', 'text' => 'Open since last week', 'opened' => 'old'])
        ->assertStatus(422)->assertSee('Open since last week')->assertSee('open for too long');
    expect(Conversation::query()->count())->toBe(0);
    $this->get('/forms/nowhere')->assertNotFound();
});

it('takes one form once', function (): void {
    $page = (string) $this->get('/forms/contact')->getContent();
    preg_match('/name="opened" value="([^"]+)"/', $page, $opened);
    $this->travel(20)->seconds();
    foreach (range(1, 2) as $_) {
        $this->post('/forms/contact', ['opened' => $opened[1], 'name' => 'Odile', 'email' => 'o@f.example', 'text' => 'Once'])->assertOk();
    }
    expect(Message::query()->count())->toBe(2)->and($this->sender->delivered)->toHaveCount(1);
});

it('puts what a machine filled in with the junk, from where it can be taken back', function (array $values, int $seconds): void {
    fillIn($this, $values, $seconds)->assertOk();
    $conversation = Conversation::query()->sole();
    expect($conversation->junk)->toBeTrue()->and($this->sender->delivered)->toBe([]);
    $this->actingAs($this->teammate('ilse'))->get('/queue/my-turn')->assertDontSee($conversation->number());
    $this->get('/queue/junk')->assertSee('Has my kite arrived?');
    $this->post("/conversations/{$conversation->id}/not-junk")->assertSessionHas('done');
    expect($conversation->refresh()->junk)
        ->toBeFalse()
        ->and($conversation->state->value)
        ->toBe('open')
        ->and($conversation->due_at)
        ->not->toBeNull();
})->with([
    'the field that people do not see' => [['website' => 'http://x.example'], 30],
    'faster than anybody types, with a link' => [['text' => 'Has my kite arrived? https://x.example'], 1],
]);

it('takes what a browser has filled in at once for a message like any other', function (): void {
    fillIn($this, [], 1)->assertOk()->assertSee('A copy is on its way to odile@fabre.example');
    expect(Conversation::query()->sole()->junk)->toBeFalse();
});

it('says that a copy is on its way only where it is', function (): void {
    fillIn($this, ['website' => 'x'])->assertOk()->assertSee('Our answer comes to')->assertDontSee('A copy is on its way');
    foreach (range(1, 3) as $number) {
        fillIn($this, ['email' => 'often@fabre.example', 'text' => "Number {$number}"])->assertSee('A copy is on its way');
    }
    fillIn($this, ['email' => 'often@fabre.example', 'text' => 'Number 4'])->assertSee('Our answer comes to')->assertDontSee('A copy');
    $form = Account::query()->where('channel', Channel::WebForm)->sole();
    $form->forceFill(['settings' => [...$form->settings, 'receipt' => false]])->save();
    fillIn($this, ['email' => 'other@fabre.example'])->assertDontSee('A copy');
});

it('lets several people of one office write', function (): void {
    foreach (range(1, 12) as $number) {
        fillIn($this, ['email' => "person{$number}@office.example", 'text' => "I am number {$number}"], 4)->assertOk();
    }
    expect(Conversation::query()->count())->toBe(12);
});

it('slows down whoever sends one form after the other, without losing a word', function (): void {
    foreach (range(1, 6) as $count) {
        fillIn($this, ['text' => "Number {$count}"])->assertOk();
    }
    fillIn($this, ['text' => 'Number 7, with all my heart'])->assertStatus(429)->assertSee('Number 7, with all my heart');
    expect(Conversation::query()->count())->toBeLessThanOrEqual(6);
});

it('may be framed by the shop’s page, and by nobody else', function (): void {
    $account = Account::query()->where('channel', Channel::WebForm)->sole();
    $account->forceFill(['settings' => [...$account->settings, 'frame_origins' => "https://shop.example\n*"]])->save();
    $framed = $this->get('/forms/contact/frame')->assertOk();
    expect($framed->headers->get('Content-Security-Policy'))->toContain('frame-ancestors https://shop.example;')
        ->and($framed->headers->has('X-Frame-Options'))->toBeFalse()
        ->and($this->get('/forms/contact')->headers->get('Content-Security-Policy'))->toContain("frame-ancestors 'none'");
});

function writeDown(AppTestCase $test, string $who, string $notes, array $headers = []): Illuminate\Testing\TestResponse
{
    return $test->actingAs($test->teammate('ilse'))->post(
        '/calls', ['who' => $who, 'notes' => $notes, 'once' => Str::uuid()->toString()], $headers
    );
}

it('writes a call down as a conversation that lies with whoever took it', function (): void {
    writeDown($this, 'Birte Holm', 'Wants it gift-wrapped')->assertRedirect();
    $conversation = Conversation::query()->sole();
    expect($conversation->customer->name)->toBe('Birte Holm')
        ->and($conversation->owner->name)->toBe('Ilse Norrby')
        ->and($conversation->subject)->toBe('Wants it gift-wrapped')
        ->and($conversation->channel)->toBe(Channel::Telephone)
        ->and(Account::query()->where('channel', Channel::Telephone)->sole()->last_heard_at)->not->toBeNull();
    writeDown($this, '', 'x')->assertSessionHasErrors('who');
});

it('knows the caller by the order or the telephone number', function (string $who): void {
    Services::take(
        Channel::Shop,
        Services::order([
            'sold_on' => null,
            'customer' => [
                'id' => null, 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'telephone' => '+4520000188',
                'address' => ['lines' => ['Møllevej 12'], 'country' => 'DK'],
            ],
        ])
    );
    writeDown($this, $who, 'Where is it?', ['HX-Request' => 'true'])->assertOk()->assertSee('Written down as')->assertSee('Ana Wrenfield');
    $conversation = Conversation::query()->sole();
    expect($conversation->customer->name)->toBe('Ana Wrenfield');
    // A call is answered by mail, where an address is known.
    expect($this->answer($conversation, 'It is at the depot.')->to)->toBe(['ana@wrenfield.example']);
})->with(['B-20388', '20 00 01 88']);

it('never knows a caller by name alone, but lets one choose', function (): void {
    Services::take(
        Channel::Shop,
        Services::order([
            'sold_on' => null,
            'customer' => [
                'id' => null, 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'telephone' => null,
                'address' => ['lines' => ['Møllevej 12'], 'country' => 'DK'],
            ],
        ])
    );
    writeDown($this, 'Ana Wrenfield', 'One of that name');
    $known = App\Customers\Customer::query()->whereHas('orders')->sole();
    expect(Conversation::query()->sole()->customer_id)->not->toBe($known->id);
    $this->get('/calls/who?who=An')->assertOk()->assertDontSee('Ana Wrenfield');
    $this->get('/calls/who?who=wrenf')->assertSee('ana@wrenfield.example')->assertSee('one order');
    $this->post(
        '/calls', ['who' => 'wrenf', 'notes' => 'It is her', 'once' => Str::uuid()->toString(), 'customer' => $known->id]
    )->assertRedirect();
    expect(Conversation::query()->orderByDesc('id')->value('customer_id'))->toBe($known->id);
});

it('says so when a caller has left no way to answer', function (): void {
    writeDown($this, 'Somebody', 'Calls again');
    $conversation = Conversation::query()->sole();
    $this->get("/conversations/{$conversation->id}")->assertSee('There is no address to answer to yet');
    expect(fn () => $this->answer($conversation, 'Hello'))->toThrow(App\Conversations\ConversationRefused::class);
});

/**
 * The order that Ana asks of, and the reason that she chooses.
 */
function anasOrder(array $with = []): string
{
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null, ...$with]));

    return (string) ReturnReason::query()->where('name', 'Changed mind')->sole()->id;
}

it('writes down what is to come back as a return that waits for its decision, once', function (): void {
    $reason = anasOrder();
    $page = (string) $this->get('/forms/contact')->getContent();
    expect($page)->toContain('Something is to come back')->toContain('Changed mind');
    preg_match('/name="opened" value="([^"]+)"/', $page, $opened);
    $this->travel(30)->seconds();
    $form = [
        'opened' => $opened[1], 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'text' => 'Too big for us.',
        'order' => 'b 20388', 'return_reason' => $reason, 'goods' => "Merlin delta\r\n2 x tai-ora",
    ];
    $this->post('/forms/contact', $form)->assertOk();
    $this->post('/forms/contact', $form)->assertOk();
    $return = CustomerReturn::query()->with('lines')->sole();
    $message = Message::query()->where('direction', Message::IN)->sole();
    expect($return->state)->toBe(ReturnState::Asked)->and($return->lines->pluck('quantity')->all())->toBe([1, 2])
        ->and($return->teammate_id)->toBeNull()->and($return->conversation_id)->toBe(Conversation::query()->sole()->id)
        ->and($message->marks)->toBe([])->and($message->text)->toContain("To come back: Changed mind\nMerlin delta");
});

it('says to the team alone why what is wished is no return', function (array $with, string $why, array $order = []): void {
    $reason = anasOrder($order);
    fillIn($this, [
        'email' => 'ana@wrenfield.example', 'order' => 'B-20388', 'return_reason' => $reason, 'goods' => 'Merlin', ...$with,
    ])->assertOk()->assertDontSee('not written down');
    $message = Message::query()->where('direction', Message::IN)->sole();
    expect(CustomerReturn::query()->count())->toBe(0)->and(implode(' ', $message->marks))->toContain($why)
        ->and($message->text)->toContain('To come back');
})->with([
    'an order that is somebody else’s' => [['email' => 'somebody@else.example'], 'that order is not known to be theirs'],
    'an order that there is not' => [['order' => 'B-29999'], 'that order is not known to be theirs'],
    'goods that were not ordered' => [['goods' => "Merlin\nA tent"], 'not clear what of the order is meant by “A tent”'],
    'more than were bought' => [['goods' => '5 x Merlin'], 'Merlin delta, red: 1 can still come back'],
    'nothing named, of several' => [['goods' => ''], 'Choose'],
]);

it('takes a wish whose time is over, too: it waits for its decision', function (): void {
    $reason = anasOrder(['placed_at' => now()->subDays(200)->toIso8601ZuluString()]);
    $at = now()->subDays(190)->toIso8601ZuluString();
    Services::take(Channel::WrenParcel, ['id' => Services::id('e'), 'type' => 'parcel.scanned', 'at' => $at, 'data' => [
        'parcel' => 'WP7720388', 'scan' => ['id' => Services::id('s'), 'stage' => 'delivered', 'place' => 'Odense', 'at' => $at],
    ]]);
    fillIn($this, ['email' => 'ana@wrenfield.example', 'order' => 'B-20388', 'return_reason' => $reason, 'goods' => 'Merlin']);
    expect(CustomerReturn::query()->sole()->state)->toBe(ReturnState::Asked);
});

it('asks for what a return needs, and keeps what was written', function (): void {
    $reason = anasOrder();
    fillIn($this, ['order' => '', 'return_reason' => $reason, 'goods' => 'Merlin'])->assertStatus(422)
        ->assertSee('write the order’s number')->assertSee('Merlin</textarea>', false)->assertSee("value=\"{$reason}\" selected", false);
    fillIn($this, ['order' => 'B-20388', 'return_reason' => '', 'goods' => 'Merlin'])->assertStatus(422)
        ->assertSee('choose why it comes back');
    fillIn($this, ['order' => 'B-20388', 'return_reason' => '999999'])->assertStatus(422);
    expect(Conversation::query()->count())->toBe(0);
});

it('asks for no returns where the store has switched it off, nor takes one from a machine', function (): void {
    $reason = anasOrder();
    $filled = ['email' => 'ana@wrenfield.example', 'order' => 'B-20388', 'return_reason' => $reason, 'goods' => 'Merlin'];
    fillIn($this, [...$filled, 'website' => 'https://prize.example']);
    expect(CustomerReturn::query()->count())->toBe(0)->and(Conversation::query()->sole()->junk)->toBeTrue();
    $form = Account::query()->where('channel', Channel::WebForm)->sole();
    $form->forceFill(['settings' => [...$form->settings, 'returns' => false]])->save();
    $this->get('/forms/contact')->assertDontSee('Something is to come back');
    fillIn($this, $filled)->assertStatus(422);
});
