<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Channels\Services\EventTrace;
use App\Customers\Handle;
use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\Parcel;
use App\Orders\Product;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

beforeEach(function (): void {
    Http::fake(['*' => Http::response(['error' => 'unknown_order', 'message' => 'There is no such order.'], 404)]);
});

it('stores an order whole, and a newer version over an older one, not the other way round', function (): void {
    expect(Services::take(Channel::Shop, Services::order())['result'])->toBe('new')
        ->and(Services::take(Channel::Shop, Services::order(['version' => 3, 'status' => 'returned']))['result'])->toBe('changed')
        ->and(Services::take(Channel::Shop, Services::order(['version' => 2, 'status' => 'paid']))['result'])->toBe('again');
    $order = Order::query()->with(['lines', 'payments', 'parcels'])->sole();
    expect($order->status)->toBe('returned')
        ->and($order->lines)->toHaveCount(2)
        ->and($order->lines[1]->paid())->toBe(2500)
        ->and($order->money($order->total))->toBe('€163.00')
        ->and($order->parcels->sole()->number)->toBe('WP7720388')
        ->and($order->customer->name)->toBe('Ana Wrenfield')
        ->and(Handle::query()->where('kind', 'marrowby')->value('value'))->toBe('anaw88');
});

it('refuses an order that cannot be right, keeps it to be seen, and stores nothing of it', function (array $change, string $says): void {
    $answer = Services::take(Channel::Shop, Services::order($change));
    expect($answer['taken'])->toBeFalse()->and($answer['reason'])->toContain($says)
        ->and(Order::query()->count())->toBe(0)->and(Parcel::query()->count())->toBe(0)
        ->and(EventTrace::query()->sole()->state)->toBe('kept');
})->with([
    'a currency of four letters' => [['currency' => 'QQQQ'], 'no currency that is known'],
    'a currency nobody knows' => [['currency' => 'QQQ'], 'no currency that is known'],
    'no lines' => [['lines' => []], 'at least one line'],
    'a fraction of a cent' => [['total' => 163.5], 'a whole number'],
    'less than nothing' => [['total' => -1], 'a whole number'],
    'a tax that is no share' => [['shipping' => ['amount' => 0, 'title' => 'Parcel', 'tax_rate' => '25 %', 'refunded' => 0]], 'like 0.25'],
    'a tax of a line that is none' => [['lines' => [[
        'id' => '1', 'sku' => 'S', 'title' => 'Kite', 'quantity' => 1, 'unit_price' => 100, 'discount' => 0, 'tax_rate' => '19%',
        'sent' => 0, 'returned' => 0, 'refunded' => 0,
    ]]], 'like 0.25'],
]);

it('finds the order that a mail names, and the customer by the address it was ordered with', function (): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $conversation = Mails::conversation(
        ['From' => 'A. W. <Ana@Wrenfield.example>', 'Subject' => 'Late'], 'Where is B-20388? The festival is on Saturday.'
    );
    expect($conversation->orders()->sole()->number)->toBe('B-20388')
        ->and($conversation->customer_id)->toBe(Order::query()->sole()->customer_id);
});

it('does not believe a number, nor a name', function (): void {
    Services::take(Channel::Shop, Services::order());
    $stranger = Mails::conversation(['From' => 'Bo Thief <bo@thief.example>', 'Subject' => 'x'], 'Where is B-20388?');
    $namesake = Mails::conversation(['From' => 'Ana Wrenfield <other@ana.example>', 'Subject' => 'y'], 'Do you have plum tails?');
    $owner = Order::query()->sole()->customer_id;
    expect($stranger->customer_id)->not->toBe($owner)
        ->and($stranger->orders()->count())->toBe(1)
        ->and($namesake->customer_id)->not->toBe($owner);
});

it('takes the only order of the last weeks where a known customer names none', function (): void {
    $ordered = fn (string $number, int $days): array => Services::order([
        'id' => $number, 'number' => $number, 'sold_on' => null, 'parcels' => [],
        'placed_at' => now()->subDays($days)->toIso8601ZuluString(),
        'customer' => [
            'id' => null, 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'telephone' => null,
            'address' => ['lines' => ['Møllevej 12'], 'country' => 'DK'],
        ],
    ]);
    Services::take(Channel::Shop, $ordered('B-20300', 10));
    Services::take(Channel::Shop, $ordered('B-20100', 90));
    $first = Mails::conversation(['From' => 'ana@wrenfield.example', 'Subject' => 'a'], 'Where is it?');
    expect($first->orders()->sole()->number)->toBe('B-20300')->and($first->orders()->sole()->pivot->found_by)->toBe('handle');
    Services::take(Channel::Shop, $ordered('B-20301', 5));
    expect(Mails::conversation(['From' => 'ana@wrenfield.example', 'Subject' => 'b'], 'And now?')->orders()->count())->toBe(0)
        ->and(Mails::conversation(['From' => 'stranger@else.example', 'Subject' => 'c'], 'Hello')->orders()->count())->toBe(0);
});

it('shows what the shop and the carrier tell while the page is open', function (): void {
    Services::take(Channel::Shop, Services::orderBy('tomas@hruby.example'));
    $conversation = Mails::conversation([], 'Where is B-20388?');
    preg_match(
        '/changes\?mark=([^"&]+)/',
        (string) $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->getContent(), $mark
    );
    $changes = "/conversations/{$conversation->id}/changes?mark={$mark[1]}";
    $this->get($changes)->assertNoContent();
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', now()->toIso8601ZuluString()));
    $this->get($changes)->assertOk()->assertSee('Aarhus depot');
});

it('attaches an order that is heard of only after somebody wrote about it', function (): void {
    $conversation = Mails::conversation(['Subject' => 'Late'], 'Where is B-20388, please?');
    expect($conversation->orders()->count())->toBe(0)
        ->and(DB::table('unknown_numbers')->value('number'))->toBe('B-20388');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertSee('The shop does not know B-20388');
    Services::take(Channel::Shop, Services::order());
    expect($conversation->orders()->sole()->number)->toBe('B-20388')
        ->and(DB::table('unknown_numbers')->count())->toBe(0);
});

it('does not say that the shop knows nothing of an order, when it only did not answer', function (): void {
    Http::swap(new \Illuminate\Http\Client\Factory);
    Http::fake(['*' => Http::response([], 503)]);
    $conversation = Mails::conversation(['Subject' => 'Late'], 'Where is B-20388, please?');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('The shop is being asked for B-20388')->assertDontSee('does not know');
});

it('looks a number up in the shop at once', function (): void {
    Http::swap(new \Illuminate\Http\Client\Factory);
    Http::fake(['*/v1/orders/B-20388' => Http::response(['order' => Services::order()['data']['order']])]);
    $conversation = Mails::conversation(['Subject' => 'Late'], 'Where is B-20388, please?');
    expect($conversation->orders()->sole()->number)->toBe('B-20388');
});

it('shows the order beside the conversation, with what was paid, sent and seen', function (): void {
    CarbonImmutable::setTestNow('2026-11-23 10:00:00');
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    Services::take(
        Channel::Shop,
        [
            'type' => 'product.changed', 'at' => now()->toIso8601ZuluString(),
            'data' => ['product' => ['sku' => 'MER-RED', 'title' => 'Merlin delta, red', 'price' => 11900, 'stock' => 7]],
        ]
    );
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', '2026-11-14T08:00:00Z'));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', '2026-11-17T08:00:00Z'));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', '2026-11-17T08:00:00Z'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>'], 'Where is B-20388?');

    $shown = $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Order B-20388')->assertSee('Merlin delta, red')->assertSee('€119.00')->assertSee('Card …4242')
        ->assertSee('No scan for 6 days')->assertSee('7 in stock')->assertSee('Marrowby 71-4480217');
    expect(Parcel::query()->sole()->scans)->toHaveCount(2)->and(Product::query()->sole()->stock)->toBe(7);
    $shown->assertSee('MER-RED · 25 % tax')->assertSee('TAI-ORA · €14.00 each · −€3.00 · 25 % tax')->assertSee('Total')
        ->assertSee('€163.00');
});

it('stays usable when the shop does not answer, and says how old it is', function (): void {
    CarbonImmutable::setTestNow('2026-11-23 09:00:00');
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    $conversation = Mails::conversation(['From' => 'ana@wrenfield.example'], 'Where is B-20388?');
    CarbonImmutable::setTestNow('2026-11-23 12:30:00');
    Http::swap(new \Illuminate\Http\Client\Factory);
    Http::fake(fn () => throw new \Illuminate\Http\Client\ConnectionException('no route'));
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertOk()->assertSee('Order B-20388');
    $this->get("/conversations/{$conversation->id}")->assertSee('as of 10:00');
    expect(Services::account(Channel::Shop)->last_error)->toContain('could not be reached');
});

it('puts an order beside a conversation by hand, and takes it away', function (): void {
    Services::take(Channel::Shop, Services::order());
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'));
    $this->post("/conversations/{$conversation->id}/orders", ['number' => 'b 20388'])->assertSessionHas('done');
    expect($conversation->orders()->count())->toBe(1);
    $this->post("/conversations/{$conversation->id}/orders", ['number' => 'B-29999'])->assertSessionHas('problem');
    $this->delete("/conversations/{$conversation->id}/orders/".Order::query()->sole()->id)->assertSessionHas('done');
    expect($conversation->orders()->count())->toBe(0);
});

it('lists orders, finds them by number and buyer, and shows one with its conversations', function (): void {
    Services::take(Channel::Shop, Services::order());
    $conversation = Mails::conversation(['Subject' => 'About my parcel'], 'Where is B-20388?');
    $this->actingAs($this->teammate('femi'));
    $this->get('/orders')->assertSee('B-20388')->assertSee('Ana Wrenfield');
    $this->get('/orders?find=71-4480217')->assertSee('B-20388');
    $this->get('/orders?find=wrenf')->assertSee('B-20388');
    $this->get('/orders?find=nobody')->assertDontSee('B-20388');
    $this->get('/orders/'.Order::query()->sole()->id)->assertSee('About my parcel')->assertSee('Møllevej 12');
    expect($conversation->refresh()->orders()->count())->toBe(1);
});

it('opens a conversation with the same number of queries, however long it is', function (): void {
    Services::take(Channel::Shop, Services::order());
    $conversation = Mails::conversation(
        ['Message-ID' => '<a@x.example>', 'From' => 'Ana Wrenfield <ana@wrenfield.example>'], 'Where is B-20388?'
    );
    $this->actingAs($this->teammate('ilse'));
    $count = function () use ($conversation): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->get("/conversations/{$conversation->id}")->assertOk();

        return count(DB::getQueryLog());
    };
    $goOn = function (int $times) use ($conversation): void {
        for ($message = 0; $message < $times; $message++) {
            Mails::take(
                Mails::raw(['In-Reply-To' => '<a@x.example>', 'From' => 'Ana Wrenfield <ana@wrenfield.example>'], "Number {$message}")
            );
            $this->answer($conversation, "Answer {$message}");
            Services::take(
                Channel::WrenParcel,
                [
                    'type' => 'parcel.scanned',
                    'data' => [
                        'parcel' => 'WP7720388',
                        'scan' => ['id' => Services::id('s'), 'stage' => 'at_depot', 'at' => '2026-11-17T08:00:00Z'],
                    ],
                ]
            );
        }
    };
    $goOn(1);
    $count();
    // Each look at something new is noted: one more question.
    $goOn(1);
    $short = $count();
    $goOn(12);
    expect($count())->toBe($short);
});

it('shows an order whose tax cannot be read, as one that was stored before it was looked at', function (): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example'));
    OrderLine::query()->update(['tax_rate' => '19%']);
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>'], 'Where is B-20388?');
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertOk()->assertSee('MER-RED')
        ->assertDontSee('% tax');
});
