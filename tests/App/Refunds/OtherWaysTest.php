<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Actor;
use App\Customers\CustomerMerge;
use App\Customers\MergeCustomers;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\PayOtherWay;
use App\Refunds\Payout;
use App\Refunds\PayoutMethod;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\RefundsRefused;
use App\Refunds\RefundState;
use App\Refunds\RetryRefund;
use App\Refunds\SendPayouts;
use App\Refunds\SettlePayout;
use App\Refunds\TellShopOfRefunds;
use App\Refunds\Worksheet;
use App\Returns\ArriveAtBench;
use App\Returns\AskReturn;
use App\Returns\DecideReturn;
use App\Returns\Grade;
use App\Returns\InspectedWorth;
use App\Returns\InspectReturn;
use App\Returns\ReturnPolicy;
use App\Returns\SettledAs;
use App\StoreCredit\StoreCredit;
use Carbon\CarbonImmutable;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Where money does not go back to the payment it came from: as store credit, or by hand with a second person's yes.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    $this->mads = $this->teammate('mads');
    $this->conversation = Mails::conversation();
    $this->issue = fn (ChosenRefund $chosen): Refund => app(IssueRefund::class)->issue(
        $this->order, $chosen, Worksheet::of($this->order->refresh(), $chosen)->total(), 'Faulty', $this->conversation, $this->mads,
        Str::uuid()->toString()
    );
    $this->stuck = function (): Refund {
        $refund = ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
        app(SettlePayout::class)->settle(Payout::query()->sole()->id, PayoutState::Failed, null, 'The card is closed.');

        return $refund->refresh();
    };
});

/**
 * @param  list<array<string, mixed>>  $entries
 * @return array<string, mixed>
 */
function creditOf(string $code, string $reference, array $entries): array
{
    return ['code' => $code, 'currency' => 'EUR', 'reference' => $reference, 'given_at' => now()->toIso8601ZuluString(),
        'entries' => $entries];
}

/**
 * @return array<string, mixed>
 */
function creditEntry(string $id, string $kind, int $amount, ?string $order = null): array
{
    return ['id' => $id, 'kind' => $kind, 'amount' => $amount, 'order' => $order, 'at' => now()->toIso8601ZuluString()];
}

function shopTellsOfCredit(array $credit): void
{
    Services::take(Channel::Shop, [
        'id' => Services::id('e'), 'type' => 'credit.changed', 'at' => now()->toIso8601ZuluString(), 'data' => ['credit' => $credit],
    ]);
}

function shopGivesCredit(array &$asked): void
{
    Http::swap(new Illuminate\Http\Client\Factory);
    Http::fake(function (Request $request) use (&$asked) {
        $asked[] = [$request->method(), parse_url($request->url(), PHP_URL_PATH), $request->header('Idempotency-Key')[0] ?? null,
            $request->data()];

        return str_ends_with((string) parse_url($request->url(), PHP_URL_PATH), '/v1/credits')
            ? Http::response(['credit' => creditOf('BRINDLE-K1', $request['reference'], [creditEntry('ce1', 'given', $request['amount'])])])
            : Http::response(['order' => Services::order(['version' => 8])['data']['order']]);
    });
}

it('gives store credit in place of the payment: once, and no more of it is left to give', function (): void {
    $refund = ($this->issue)(new ChosenRefund([$this->kite->id => 1], asCredit: true));
    $asked = [];
    shopGivesCredit($asked);
    app()->call([new SendPayouts, 'handle']);
    app()->call([new SendPayouts, 'handle']);
    $credit = StoreCredit::query()->with('entries')->sole();
    expect($asked)->toHaveCount(1)->and($asked[0][3]['amount'])->toBe(11900)->and($credit->balance())->toBe(11900)
        ->and($credit->customer_id)->toBe($this->order->customer_id)->and($refund->refresh()->state)->toBe(RefundState::Done)
        ->and(Payout::query()->sole()->to())->toBe('Store credit BRINDLE-K1')
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400);
    // The shop hears of the goods, and that no payment went back.
    app()->call([new TellShopOfRefunds, 'handle']);
    expect($asked[1][3]['payments'])->toBe([])->and($asked[1][3]['lines'][0]['amount'])->toBe(11900);
    $this->actingAs($this->mads)->get("/customers/{$this->order->customer_id}")->assertSee('Store credit')->assertSee('BRINDLE-K1')
        ->assertSee('€119.00 left');
});

it('counts what was used and has lapsed once, however often and in whatever order it is told', function (): void {
    ($this->issue)(new ChosenRefund([$this->tails->id => 2], asCredit: true));
    $once = Payout::query()->sole()->once;
    $given = creditEntry('ce1', 'given', 2500);
    $used = creditEntry('ce2', 'used', -1000, 'B-20440');
    // Before our own asking was answered.
    shopTellsOfCredit(creditOf('BRINDLE-K1', $once, [$given, $used]));
    shopTellsOfCredit(creditOf('BRINDLE-K1', $once, [$given]));
    expect(StoreCredit::query()->with('entries')->sole()->balance())->toBe(1500);
    $asked = [];
    shopGivesCredit($asked);
    app()->call([new SendPayouts, 'handle']);
    shopTellsOfCredit(creditOf('BRINDLE-K1', $once, [$given, $used, creditEntry('ce3', 'lapsed', -1500)]));
    $credit = StoreCredit::query()->with('entries')->sole();
    expect($credit->balance())->toBe(0)->and($credit->entries)->toHaveCount(3)->and($credit->payout_id)->not->toBeNull();
    // What was sold in the shop is a code like any other.
    shopTellsOfCredit(creditOf('BRINDLE-K2', 'gift', [creditEntry('ce4', 'given', 5000)]));
    expect(StoreCredit::query()->where('code', 'BRINDLE-K2')->sole()->customer_id)->toBeNull();
});

it('goes with its customer when two become one, and back when they are two again', function (): void {
    ($this->issue)(new ChosenRefund([$this->tails->id => 2], asCredit: true));
    shopTellsOfCredit(creditOf('BRINDLE-K1', Payout::query()->sole()->once, [creditEntry('ce1', 'given', 2500)]));
    $other = Mails::conversation(['From' => 'Una Berg <una@berg.example>', 'Subject' => 'Hello'])->customer;
    $own = $this->order->customer;
    app(MergeCustomers::class)->merge($other, $own, $this->mads);
    expect(StoreCredit::query()->sole()->customer_id)->toBe($other->id);
    app(MergeCustomers::class)->undo(CustomerMerge::query()->sole(), $this->mads);
    expect(StoreCredit::query()->sole()->customer_id)->toBe($own->id);
});

it('adds what the policy adds, beyond what was paid', function (): void {
    $policy = ReturnPolicy::query()->whereHas('reason', fn ($of) => $of->where('name', 'Does not fit'))->with('reason')->sole();
    $policy->forceFill(['terms' => [...$policy->terms, 'creditBonus' => '10', 'customerPays' => false]])->save();
    $actor = Actor::teammate($this->mads);
    $return = app(AskReturn::class)->ask($this->order, [$this->kite->id => 1], $policy->reason, '', false, null, $this->mads, 'one');
    $return = app(ArriveAtBench::class)->arrive(app(DecideReturn::class)->agree($return, $actor), $actor);
    $return = app(InspectReturn::class)->inspect($return, [$this->kite->id => [Grade::AsNew]], [], [], $this->mads)->load('units');
    $chosen = InspectedWorth::of($return)->chosen($return, MoneyOfOrder::of($this->order))->toArray();
    $refund = ($this->issue)(ChosenRefund::read([...$chosen, 'payments' => ChosenRefund::AS_CREDIT, 'return' => (string) $return->id]));
    $payout = Payout::query()->sole();
    expect($refund->total)->toBe(11900)->and([$payout->amount, $payout->bonus])->toBe([11900, 1190])
        ->and($return->refresh()->settled_as)->toBe(SettledAs::Credit)->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400);
    $asked = [];
    shopGivesCredit($asked);
    app()->call([new SendPayouts, 'handle']);
    expect(StoreCredit::query()->with('entries')->sole()->balance())->toBe(13090)->and(StoreCredit::query()->sole()->bonus)->toBe(1190);
});

it('becomes store credit where the card is gone', function (): void {
    $refund = ($this->stuck)();
    app(RetryRefund::class)->asCredit($refund, $this->mads);
    $asked = [];
    shopGivesCredit($asked);
    app()->call([new SendPayouts, 'handle']);
    expect(Payout::query()->sole()->method)->toBe(PayoutMethod::Credit)->and($refund->refresh()->state)->toBe(RefundState::Done)
        ->and(fn () => app(RetryRefund::class)->asCredit($refund, $this->mads))->toThrow(RefundsRefused::class, 'Nothing of it waits');
});

it('is paid in another way only with a second person’s yes', function (): void {
    $refund = ($this->stuck)();
    $pay = app(PayOtherWay::class);
    $corin = $this->teammate('corin');
    expect(fn () => $pay->agree($refund, $corin))->toThrow(RefundsRefused::class, 'Say how it is paid')
        ->and(fn () => $pay->propose($refund, ' ', $this->mads))->toThrow(RefundsRefused::class, 'Say how');
    $pay->propose($refund, 'by bank transfer', $this->mads);
    expect(fn () => $pay->agree($refund, $this->mads))->toThrow(RefundsRefused::class, 'Somebody else has to agree')
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(16300);
    $this->actingAs($corin)->get("/refunds/{$refund->id}")->assertSee('by bank transfer')->assertSee('Agree: it is paid like that');
    $this->post("/refunds/{$refund->id}/other-way/agree")->assertSessionHas('done');
    $payout = Payout::query()->sole();
    expect($payout->state)->toBe(PayoutState::Done)->and($payout->to())->toBe('by bank transfer')->and($payout->agreed_by)->toBe($corin->id)
        ->and($refund->refresh()->state)->toBe(RefundState::Done)->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400);
    $this->actingAs($this->teammate('ilse'))->post("/refunds/{$refund->id}/other-way")->assertForbidden();
});

it('is not paid in another way where as much is no longer left', function (): void {
    $refund = ($this->stuck)();
    app(PayOtherWay::class)->propose($refund, 'by bank transfer', $this->mads);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null, 'version' => 2, 'payments' => [
        ['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 10000],
    ]]));
    expect(fn () => app(PayOtherWay::class)->agree($refund, $this->teammate('corin')))->toThrow(RefundsRefused::class, '€63.00 is left')
        ->and(Payout::query()->sole()->state)->toBe(PayoutState::Failed);
});
