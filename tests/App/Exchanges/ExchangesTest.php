<?php

declare(strict_types=1);

use App\Approvals\SpendingLimits;
use App\Channels\Channel;
use App\Conversations\Actor;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\CreditNotes\CreditNote;
use App\CreditNotes\IssueCreditNotes;
use App\Exchanges\Exchange;
use App\Exchanges\ExchangeRefused;
use App\Exchanges\ExchangeState;
use App\Exchanges\PlaceExchanges;
use App\Exchanges\SendInstead;
use App\Orders\Order;
use App\Orders\Product;
use App\Refunds\ChosenRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Payout;
use App\Refunds\PayoutMethod;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\RefundState;
use App\Refunds\SendPayouts;
use App\Refunds\SettlePayout;
use App\Refunds\TellShopOfRefunds;
use App\Returns\ArriveAtBench;
use App\Returns\AskReturn;
use App\Returns\DecideReturn;
use App\Returns\Grade;
use App\Returns\InspectReturn;
use App\Returns\ReturnReason;
use App\Returns\SettledAs;
use Carbon\CarbonImmutable;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Goods in place of others, an order that has not left changed or cancelled: asked of the shop once, settled to the cent.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    foreach ([['KES-RED', 'Kestrel 3, red', 18900, 3], ['DUN-STD', 'Dunlin, single line', 4900, 9],
        ['MER-RED', 'Merlin delta, red', 11900, 2]] as [$sku, $title, $price, $stock]) {
        Product::query()->insert([
            'account_id' => $this->order->account_id, 'sku' => $sku, 'title' => $title, 'price' => $price, 'stock' => $stock,
            'fetched_at' => now(),
        ]);
    }
    $this->mads = $this->teammate('mads');
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Swap'],
        'B-20388, please swap.');
    $this->exchange = fn (array $goods, int $shown, string $once = ''): Exchange => app(SendInstead::class)->exchange(
        $this->order, new ChosenRefund([$this->kite->id => 1]), $goods, $shown, 'Does not fit', true, $this->conversation, $this->mads,
        $once === '' ? Str::uuid()->toString() : $once, app(SpendingLimits::class)
    );
    $this->again = fn (array $units, string $once = '', bool $confirmed = true): Exchange => app(SendInstead::class)->again(
        $this->order, $units, 'Faulty', $confirmed, $this->conversation, null, $this->mads, $once === '' ? Str::uuid()->toString() : $once
    );
});

/**
 * What the shop is asked, and what it makes of it.
 *
 * @param  list<array{string, string|null, array<string, mixed>}>  $asked
 * @param  Closure|null  $answer  in place of an order that is made
 */
function shopMakesOrders(array &$asked, ?Closure $answer = null): void
{
    Http::swap(new Illuminate\Http\Client\Factory);
    Http::fake(function (Request $request) use (&$asked, $answer) {
        $asked[] = [(string) parse_url($request->url(), PHP_URL_PATH), $request->header('Idempotency-Key')[0] ?? null, $request->data()];

        return $answer === null ? Http::response([
            'order' => Services::orderBy('ana@wrenfield.example', [
                'id' => 'ord_21001', 'number' => 'B-21001', 'sold_on' => null, 'status' => ($request['to_pay'] ?? 0) > 0 ? 'unpaid'
                    : 'paid',
                'payments' => [], 'parcels' => [], 'placed_at' => now()->toIso8601ZuluString(),
            ])['data']['order'],
            'payment_link' => ($request['to_pay'] ?? 0) > 0 ? 'https://shop.example/pay/B-21001' : null,
        ]) : $answer($request);
    });
}

function placeOrders(): void
{
    app()->call([new PlaceExchanges, 'handle']);
}

it('sends the same again at no charge, once, with its order beside the conversation', function (): void {
    $exchange = ($this->again)([$this->kite->id => 1], 'one');
    expect(($this->again)([$this->kite->id => 1], 'one')->id)->toBe($exchange->id)->and($exchange->isAtNoCharge())->toBeTrue();
    $asked = [];
    shopMakesOrders($asked);
    placeOrders();
    placeOrders();
    $new = Order::query()->where('number', 'B-21001')->sole();
    expect($asked)->toHaveCount(1)->and($asked[0][0])->toEndWith('/v1/orders')
        ->and($asked[0][2]['lines'])->toBe([['sku' => 'MER-RED', 'quantity' => 1, 'unit_price' => 0]])
        ->and($exchange->refresh()->state)->toBe(ExchangeState::Placed)->and($exchange->new_order_id)->toBe($new->id)
        ->and($this->conversation->orders()->pluck('number')->all())->toContain('B-21001')->and(Refund::query()->count())->toBe(0)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(16300);
    $this->actingAs($this->mads)->get("/conversations/{$this->conversation->id}")->assertSee('for order B-20388, is order B-21001');
});

it('refuses what is not there, not ordered, or goes nobody knows where', function (): void {
    expect(fn () => ($this->again)([$this->kite->id => 1], confirmed: false))->toThrow(ExchangeRefused::class, 'Confirm the address')
        ->and(fn () => ($this->again)([$this->kite->id => 2]))->toThrow(ExchangeRefused::class, 'not part of order')
        ->and(fn () => ($this->again)([]))->toThrow(ExchangeRefused::class, 'Choose what is sent')
        ->and(fn () => ($this->exchange)(['KES-RED' => 4], 0))->toThrow(ExchangeRefused::class, 'the shop has 3 in stock')
        ->and(fn () => ($this->exchange)(['NONE' => 1], 0))->toThrow(ExchangeRefused::class, 'The shop has no “NONE”')
        ->and(fn () => ($this->exchange)(['DUN-STD' => 1], 0))->toThrow(ExchangeRefused::class, 'it is €70.00 now');
    Product::query()->where('sku', 'MER-RED')->update(['stock' => 0]);
    expect(fn () => ($this->again)([$this->kite->id => 1]))->toThrow(ExchangeRefused::class, '0 in stock')
        ->and(Exchange::query()->count())->toBe(0);
});

it('gives back what the new is worth less, and what was kept for it is gone from the payment', function (): void {
    $exchange = ($this->exchange)(['DUN-STD' => 1], 7000);
    $refund = Refund::query()->with('payouts')->sole();
    expect([$exchange->worth, $exchange->kept, $exchange->to_pay])->toBe([4900, 4900, 0])
        ->and([$refund->total, $refund->kept, $refund->goesBack()])->toBe([11900, 4900, 7000])->and($refund->state)
        ->toBe(RefundState::Requested)
        ->and(Payout::query()->where('method', PayoutMethod::Kept)->sole()->state)->toBe(PayoutState::Done)
        ->and(Payout::query()->where('method', PayoutMethod::Payment)->sole()->amount)->toBe(7000)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400)
        ->and(MoneyOfOrder::of($this->order)->unitsBack())->toBe([$this->kite->id => 1]);
    $said = JournalEntry::query()->where('kind', JournalKind::RefundAsked)->sole()->payload();
    expect($said->amount)->toBe(7000);
});

it('has the customer pay what the new is worth more, and nothing goes back', function (): void {
    $exchange = ($this->exchange)(['KES-RED' => 1], -7000);
    $asked = [];
    shopMakesOrders($asked);
    placeOrders();
    expect($asked[0][2]['kept'])->toBe(11900)->and($asked[0][2]['to_pay'])->toBe(7000)
        ->and($exchange->refresh()->payment_link)->toBe('https://shop.example/pay/B-21001')
        ->and(Order::query()->where('number', 'B-21001')->sole()->standing())->toBe('waits for its payment')
        ->and(Refund::query()->sole()->state)->toBe(RefundState::Done)->and(Refund::query()->sole()->goesBack())->toBe(0)
        ->and(Payout::query()->sole()->method)->toBe(PayoutMethod::Kept)
        ->and(JournalEntry::query()->whereIn('kind', [JournalKind::RefundAsked, JournalKind::RefundEnded])->count())->toBe(0);
    // The first order's book: its goods are back, no payment is.
    app()->call([new TellShopOfRefunds, 'handle']);
    expect(end($asked)[2]['payments'])->toBe([])->and(end($asked)[2]['lines'][0]['amount'])->toBe(11900);
});

it('settles the return that it is for', function (): void {
    $actor = Actor::teammate($this->mads);
    $return = app(AskReturn::class)->ask(
        $this->order, [$this->kite->id => 1], ReturnReason::query()->where('name', 'Does not fit')->sole(), '', false, $this->conversation,
        $this->mads, 'r'
    );
    $return = app(ArriveAtBench::class)->arrive(app(DecideReturn::class)->agree($return, $actor), $actor);
    app(InspectReturn::class)->inspect($return, [$this->kite->id => [Grade::Opened]], [], [], $this->mads);
    $this->actingAs($this->mads)->get("/orders/{$this->order->id}/send?return={$return->id}")->assertOk()
        ->assertSee("Return {$return->number()}");
    // Does not fit: as it was, all of it; the new one costs as much.
    $exchange = app(SendInstead::class)->exchange(
        $this->order, new ChosenRefund([$this->kite->id => 1], return: $return->id), ['MER-RED' => 1], 0, 'Does not fit', true,
        $this->conversation, $this->mads, 'x', app(SpendingLimits::class)
    );
    expect($exchange->to_pay)->toBe(0)->and($return->refresh()->settled_as)->toBe(SettledAs::Exchange)
        ->and($exchange->return_id)->toBe($return->id);
});

it('asks the shop under one key until it answers', function (): void {
    ($this->again)([$this->kite->id => 1]);
    $asked = [];
    shopMakesOrders($asked, fn () => Http::response([], 500));
    placeOrders();
    placeOrders();
    CarbonImmutable::setTestNow(now()->addMinute());
    placeOrders();
    expect($asked)->toHaveCount(2)->and($asked[0][1])->toBe($asked[1][1]);
});

it('leaves the choice where the stock ran out meanwhile: asked again, or the money back', function (): void {
    $exchange = ($this->exchange)(['KES-RED' => 1], -7000);
    $asked = [];
    shopMakesOrders($asked,
        fn () => Http::response(['error' => 'out_of_stock', 'message' => 'Of Kestrel 3, red there are 0 in stock.'], 422));
    placeOrders();
    expect($exchange->refresh()->state)->toBe(ExchangeState::NotThere)->and($exchange->why)->toContain('0 in stock');
    $this->actingAs($this->mads)->get("/exchanges/{$exchange->id}")->assertSee('The customer has the choice')
        ->assertSee('Ask the shop again');
    $this->get('/news')->assertSee('cannot be sent');
    CarbonImmutable::setTestNow(now()->addHour());
    $this->post("/exchanges/{$exchange->id}/again")->assertSessionHas('done');
    placeOrders();
    // Asked anew, and not the answer of the first time once more.
    expect($asked[0][1])->not->toBe($asked[1][1])->and($exchange->refresh()->state)->toBe(ExchangeState::NotThere);
    $this->post("/exchanges/{$exchange->id}/money")->assertRedirect();
    $this->post("/exchanges/{$exchange->id}/money")->assertSessionHas('problem_code', 'not_now');
    $payout = Payout::query()->sole();
    expect([$payout->method, $payout->state, $payout->amount])->toBe([PayoutMethod::Payment, PayoutState::Requested, 11900])
        ->and(Refund::query()->sole()->goesBack())->toBe(11900)->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400);
});

it('tells the shop of money that goes back after all, and takes back the note that said it was kept', function (): void {
    $exchange = ($this->exchange)(['KES-RED' => 1], -7000);
    $asked = [];
    shopMakesOrders($asked);
    $work = function (): void {
        app()->call([new TellShopOfRefunds, 'handle']);
        app()->call([new IssueCreditNotes, 'handle']);
    };
    $work();
    $exchange->forceFill(['state' => ExchangeState::NotThere])->save();
    app(SendInstead::class)->giveMoneyBack($exchange, $this->mads);
    $payout = Payout::query()->sole();
    app(SettlePayout::class)->settle($payout->id, PayoutState::Done, 're_1');
    $work();
    $work();
    $told = array_values(array_filter($asked, static fn (array $one): bool => str_ends_with($one[0], '/refunds')));
    // The first once more under its key, as it may not have arrived; then the money alone, under one of its own.
    expect($told)->toHaveCount(3)->and($told[0])->toBe($told[1])->and($told[0][2]['payments'])->toBe([])
        ->and($told[2][1])->not->toBe($told[1][1])->and($told[2][2]['lines'])->toBe([])
        ->and($told[2][2]['payments'])->toBe([['id' => $payout->payment->outside_id, 'amount' => 11900]])
        ->and(Refund::query()->sole()->book_next_at)->toBeNull();
    $notes = CreditNote::query()->orderBy('number')->get();
    expect($notes->pluck('takes_back')->all())->toBe([false, true, false])
        ->and($notes->map(fn (CreditNote $note): int => $note->content['total'])->all())->toBe([11900, -11900, 11900])
        ->and($notes[0]->content['payments'][0]['label'])->toContain('Kept for')
        ->and($notes[2]->content['payments'][0]['label'])->toBe($payout->payment->label);
});

it('does not pay back by itself what was paid with another order', function (): void {
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', [
        'id' => 'ord_21001', 'number' => 'B-21001', 'sold_on' => null, 'lines' => [[
            'id' => '21001-1', 'sku' => 'DUN-STD', 'title' => 'Dunlin', 'quantity' => 1, 'unit_price' => 4900, 'discount' => 0,
            'tax_rate' => '0.25',
            'sent' => 1, 'returned' => 0, 'refunded' => 0,
        ]], 'shipping' => ['amount' => 0, 'title' => 'Parcel', 'tax_rate' => '0.25', 'refunded' => 0], 'total' => 4900,
        'payments' => [['id' => 'pay-k', 'kind' => 'kept', 'label' => 'Paid with B-20388', 'captured' => 4900, 'refunded' => 0]],
    ]));
    $new = Order::query()->where('number', 'B-21001')->with('lines')->sole();
    app(App\Refunds\IssueRefund::class)->issue($new, new ChosenRefund([$new->lines[0]->id => 1]), 4900, 'Faulty', null, $this->mads, 'x');
    app()->call([new SendPayouts, 'handle']);
    expect(Payout::query()->sole()->state)->toBe(PayoutState::Failed)->and(Payout::query()->sole()->why)
        ->toContain('give it as store credit');
});

it('cancels and readdresses an order that has not left, and says where it is too late', function (): void {
    $asked = [];
    shopMakesOrders($asked, function (Request $request) use (&$asked) {
        if (($request['reason'] ?? '') === 'Too late') {
            return Http::response(['error' => 'too_late', 'message' => 'Order B-20388 is sent: that is too late.'], 409);
        }
        $address = ['lines' => $request['lines'] ?? ['Møllevej 12'], 'country' => $request['country'] ?? 'DK'];

        return Http::response(['order' => Services::orderBy('ana@wrenfield.example', [
            'sold_on' => null, 'version' => count($asked) + 1, 'status' => str_ends_with($request->url(), '/cancel') ? 'cancelled' : 'paid',
            'customer' => ['id' => null, 'name' => 'Ana Wrenfield', 'email' => 'ana@wrenfield.example', 'telephone' => null,
                'address' => $address],
        ])['data']['order']]);
    });
    $this->actingAs($this->mads);
    $at = "/orders/{$this->order->id}";
    $this->post("{$at}/address", ['address' => "Havnevej 1\n8000 Aarhus", 'country' => 'dk', 'conversation' => $this->conversation->id])
        ->assertSessionHas('done');
    expect($this->order->refresh()->address)->toBe('Havnevej 1, 8000 Aarhus')->and($asked[0][0])->toEndWith('/v1/orders/B-20388/address');
    $this->post("{$at}/address", ['address' => ' ', 'country' => 'DK'])->assertSessionHas('problem_code', 'no_address');
    $this->post("{$at}/cancel", ['reason' => ''])->assertSessionHas('problem_code', 'no_reason');
    $this->post("{$at}/cancel", ['reason' => 'Ordered twice', 'conversation' => $this->conversation->id])->assertSessionHas('done');
    expect($this->order->refresh()->status)->toBe('cancelled')
        ->and(JournalEntry::query()->where('kind', JournalKind::OrderChangeAsked)->count())->toBe(2);
    $this->post("{$at}/cancel", ['reason' => 'Too late'])->assertSessionHas('problem_code', 'shop_says');
});

it('reckons the difference while one chooses, and loses nothing of what was written', function (): void {
    $this->actingAs($this->mads);
    $at = "/orders/{$this->order->id}/send";
    $form = ['how' => 'exchange', 'lines' => [$this->kite->id => '1'], 'goods' => [['sku' => 'KES-RED', 'quantity' => '1']]];
    $this->post("{$at}/reckon", $form, ['HX-Request' => 'true'])->assertOk()->assertSee('Exchange: €70.00 to pay')
        ->assertSee('value="-7000"', false);
    $this->post("{$at}/reckon", [...$form, 'goods' => [['sku' => 'DUN-STD', 'quantity' => '1']]], ['HX-Request' => 'true'])
        ->assertSee('Exchange, and give back €70.00');
    $this->post($at, [...$form, 'shown' => -7000, 'reason' => 'Does not fit', 'once' => Str::uuid()->toString()])->assertOk()
        ->assertSee('Confirm the address')->assertSee('Exchange: €70.00 to pay');
    $this->post($at, [...$form, 'shown' => -7000, 'reason' => 'Does not fit', 'address_confirmed' => '1',
        'once' => Str::uuid()->toString()])
        ->assertRedirect('/exchanges/'.Exchange::query()->sole()->id);
    // Above one's limit, it is somebody else's.
    $this->actingAs($this->teammate('ilse'))->post($at, [
        'how' => 'exchange', 'lines' => [$this->tails->id => '1'], 'goods' => [['sku' => 'DUN-STD', 'quantity' => '1']], 'shown' => -3650,
        'reason' => 'Does not fit', 'address_confirmed' => '1', 'once' => Str::uuid()->toString(),
    ])->assertOk()->assertSee('ask for it');
});
