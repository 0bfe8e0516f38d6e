<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Customers\DuplicateProposal;
use App\Customers\FindDuplicates;
use App\Customers\Handle;
use App\Orders\Order;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Somebody with a customer's name, order number and street, all of which stand on a parcel.
 */
beforeEach(function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $this->ana = Mails::conversation(
        ['From' => 'ana@wrenfield.example', 'Subject' => 'Wedding kite'], 'Is a letter for the 5 December wedding possible?'
    );
    $this->stranger = Mails::conversation(
        ['From' => 'Ana Wrenfield <ana.wrenfield@freemail.example>', 'Subject' => 'New address'],
        "My order B-20388 to Møllevej 12 has not come. Please send it to Havnegade 3.\n\nAna Wrenfield, Møllevej 12"
    );
    $this->buyer = Order::query()->sole()->customer;
    $this->order = Order::query()->sole();
    $this->page = "/conversations/{$this->stranger->id}";
    $this->actingAs($this->teammate('ilse'));
});

it('makes nobody of who only says so: a name, a number and a street propose, and attach nobody', function (): void {
    expect($this->stranger->customer_id)->not->toBe($this->buyer->id)
        ->and($this->stranger->orders()->sole()->number)->toBe('B-20388')
        ->and($this->buyer->handles()->pluck('value')->all())->not->toContain('ana.wrenfield@freemail.example');
    FindDuplicates::dispatchSync($this->stranger->customer_id);
    $proposal = DuplicateProposal::query()->sole();
    expect([$proposal->one_id, $proposal->other_id])->toEqualCanonicalizing([$this->buyer->id, $this->stranger->customer_id])
        ->and($proposal->state)->toBe(DuplicateProposal::PROPOSED);
});

it('says whose order it is, and shows nothing of them that the writer did not say', function (): void {
    $this->get($this->page)->assertOk()
        ->assertSee('Not verified')
        ->assertSee('Ana Wrenfield placed it')
        ->assertSee('ana.wrenfield@freemail.example is not an address that is known of them')
        ->assertSee('Who reads this is not known to be who placed B-20388')
        ->assertDontSee('ana@wrenfield.example')->assertDontSee('Merlin delta')->assertDontSee('Card …4242')
        ->assertDontSee('Wedding kite')->assertDontSee('WP7720388')->assertDontSee('8000 Aarhus');
});

it('says the same of an order that was put beside by hand, or is given in a form', function (): void {
    $by = Mails::conversation(['From' => 'Cy <cy@x.example>', 'Subject' => 'Hi'], 'See the picture.');
    $this->post("/conversations/{$by->id}/orders", ['number' => 'B-20388'])->assertSessionHas('done');
    $this->get("/conversations/{$by->id}")->assertSee('Not verified')->assertDontSee('Merlin delta');
});

it('shows the buyer themselves everything, and who else writes about it as not verified', function (): void {
    $this->post("/conversations/{$this->ana->id}/orders", ['number' => 'B-20388']);
    $this->get("/conversations/{$this->ana->id}")
        ->assertSee('Merlin delta')->assertDontSee('is not an address that is known')
        ->assertSee($this->stranger->number())->assertSee('not verified')
        ->assertDontSee("Join {$this->stranger->number()} into this");
});

it('takes the marketplace’s word for who writes about an order, also where the shop knew another handle first', function (): void {
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?', ['buyer' => ['id' => 'other9', 'name' => 'A. W.']]));
    $conversation = Conversation::query()->orderByDesc('id')->firstOrFail();
    $this->get("/conversations/{$conversation->id}")->assertSee('Merlin delta')->assertDontSee('Not verified');
});

it('shows it once somebody says that they may know of it, and writes that down once', function (): void {
    $mayKnow = "{$this->page}/orders/{$this->order->id}/may-know";
    $this->post($mayKnow)->assertSessionHas('done');
    $this->post($mayKnow)->assertRedirect();
    $this->get($this->page)->assertSee('Merlin delta')->assertDontSee('Not verified')
        ->assertSee('Confirmed that who writes may know of order B-20388')->assertDontSee('Wedding kite');
    expect(DB::table('journal')->where('kind', 'buyer_verified')->count())->toBe(1)
        ->and($this->stranger->refresh()->customer_id)->not->toBe($this->buyer->id);
    // Elsewhere it says nothing.
    $other = Mails::conversation(['From' => 'Cy <cy@x.example>', 'Subject' => 'Hi'], 'And B-20388?');
    $this->get("/conversations/{$other->id}")->assertSee('Not verified');
});

it('makes them the buyer when a person says so, and two people again when that was wrong', function (): void {
    $this->post("{$this->page}/orders/{$this->order->id}/is-buyer")->assertSessionHas('done');
    expect($this->stranger->refresh()->customer_id)->toBe($this->buyer->id);
    $this->get($this->page)->assertSee('Merlin delta')->assertSee('Wedding kite')->assertDontSee('Not verified');
    $this->post("{$this->page}/orders/{$this->order->id}/is-buyer")->assertRedirect();
    $merge = (int) DB::table('customer_merges')->value('id');
    $this->post("/customer-merges/{$merge}/undo")->assertRedirect();
    $this->get($this->page)->assertSee('Not verified')->assertDontSee('Merlin delta');
});

it('asks the buyer at the address that is known, once, and tells the stranger nothing', function (): void {
    $once = (string) Str::uuid();
    $written = ['text' => 'Was it you who wrote about B-20388?', 'once' => $once];
    $this->get($this->page)->assertSee('Ask at a…@wrenfield.example');
    $this->post("{$this->page}/orders/{$this->order->id}/ask", $written)->assertSessionHas('done');
    $this->post("{$this->page}/orders/{$this->order->id}/ask", $written)->assertSessionHas('done');
    $message = Message::query()->where('direction', Message::OUT)->sole();
    expect($message->to)->toBe(['ana@wrenfield.example'])
        ->and($message->conversation->customer_id)->toBe($this->buyer->id)
        ->and($message->conversation->linked_conversation_id)->toBe($this->stranger->id);
    $this->get($this->page)->assertSee('was asked at their own address');
    $this->post("{$this->page}/orders/{$this->order->id}/ask", ['text' => '', 'once' => $once])->assertSessionHasErrors('text');
});

it('lets nobody confirm by an order that is not beside, and offers no asking where no address is known', function (): void {
    Services::take(Channel::Shop, Services::order(['id' => 'o2', 'number' => 'B-20500', 'sold_on' => null, 'parcels' => []]));
    $other = Order::query()->where('number', 'B-20500')->sole();
    $this->post("{$this->page}/orders/{$other->id}/may-know")->assertNotFound();
    $this->post("{$this->page}/orders", ['number' => 'B-20500']);
    $this->get($this->page)->assertSee('Order B-20500');
    $this->post("{$this->page}/orders/{$other->id}/ask", ['text' => 'Hi', 'once' => (string) Str::uuid()])->assertSessionHas('problem');
    $this->post("{$this->page}/orders/{$other->id}/is-buyer")->assertSessionHas('problem');
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(0)
        ->and(Handle::query()->where('customer_id', $this->buyer->id)->count())->toBe(2);
});

it('does not make a stranger the customer whose conversation they wrote into, when their message is split off', function (): void {
    $this->answer($this->ana, 'Yes, it is.');
    $token = Message::query()->where('direction', Message::OUT)->where('conversation_id', $this->ana->id)->sole();
    Mails::take(Mails::raw(
        ['From' => 'Cy <cy@else.example>', 'Subject' => 'Re: Wedding kite', 'In-Reply-To' => "<{$token->message_id}>"], 'Another thing.'
    ));
    $message = Message::query()->where('from_address', 'cy@else.example')->sole();
    if ($message->conversation_id === $this->ana->id) {
        $this->post("/messages/{$message->id}/split")->assertRedirect();
    }
    expect($message->refresh()->conversation->customer_id)->not->toBe($this->buyer->id);
});

it('writes nothing of the order into the stranger’s conversation, and all of it into the buyer’s', function (): void {
    $this->post("/conversations/{$this->ana->id}/orders", ['number' => 'B-20388']);
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'delivered', now()->toIso8601ZuluString()));
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['version' => 2, 'status' => 'returned']));
    $told = static fn (Conversation $in): int => DB::table('journal')
        ->where('conversation_id', $in->id)->whereIn('kind', ['parcel_seen', 'order_changed'])->count();
    expect($told($this->ana))->toBe(2)->and($told($this->stranger))->toBe(0);
    $this->get($this->page)->assertDontSee('WP7720388');
});
