<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Payout;
use App\Refunds\PayoutState;
use App\Refunds\ReconcilePayments;
use App\Refunds\Refund;
use App\Refunds\RefundsRefused;
use App\Refunds\RefundState;
use App\Refunds\SendPayouts;
use App\Refunds\TellShopOfRefunds;
use App\Refunds\Worksheet;
use App\Support\StoreSettings;
use Carbon\CarbonImmutable;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Giving money back: reckoned to the unit, asked of the provider under one key, told to the shop, never twice.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::order(['sold_on' => null]));
    // Each keeps a book of its own: here the payment provider's is looked at alone.
    Account::query()->whereIn('channel', [Channel::Marrowby, Channel::Quaymart])->update(['state' => AccountState::Paused]);
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    $this->mads = $this->teammate('mads');
    $this->conversation = Mails::conversation();
    $this->issue = fn (ChosenRefund $chosen, ?int $total = null, string $once = ''): Refund => app(IssueRefund::class)->issue(
        $this->order, $chosen, $total ?? Worksheet::of($this->order->refresh(), $chosen)->total(), 'faulty', $this->conversation,
        $this->mads, $once === '' ? Str::uuid()->toString() : $once
    );
});

/**
 * What the provider is asked, and what it answers.
 *
 * @param  string|int|Closure  $answer  a state, a status, or what is done
 */
function providerSays(string|int|Closure $answer): void
{
    Http::swap(new Illuminate\Http\Client\Factory);
    Http::fake(['*' => is_string($answer)
        ? fn (Request $request) => Http::response(['refund' => toldRefund('rf_1', $request['reference'] ?? null, $answer)])
        : (is_int($answer) ? Http::response(['error' => 'card_gone', 'message' => 'The card is closed.'], $answer) : $answer)]);
}

/**
 * @return array<string, mixed>
 */
function toldRefund(string $id, ?string $reference, string $state, int $amount = 11900, string $payment = 'pay-1'): array
{
    return [
        'id' => $id, 'payment' => $payment, 'amount' => $amount, 'currency' => 'EUR', 'reference' => $reference, 'state' => $state,
        'reason' => $state === 'failed' ? 'The bank refuses it.' : null, 'asked_at' => now()->toIso8601ZuluString(),
    ];
}

function providerTells(array $refund): void
{
    Services::take(Channel::Tollgate, [
        'id' => Services::id('e'), 'type' => 'refund.changed', 'at' => now()->toIso8601ZuluString(), 'data' => ['refund' => $refund],
    ]);
}

function payOut(): void
{
    app()->call([new SendPayouts, 'handle']);
}

it('reckons what goes back of a line, the delivery, a fee and goodwill, and says how it came about', function (): void {
    $sheet = Worksheet::of($this->order, new ChosenRefund(
        [$this->tails->id => 1], 'share', fee: '1,50', label: '2.00', goodwill: '10 %'
    ));
    expect($sheet->why)->toBeNull()
        ->and($sheet->quote?->lines[0]->amount->gross->toDecimal())->toBe('12.50')
        ->and($sheet->quote?->delivery->gross->toDecimal())->toBe('1.65')
        ->and($sheet->total())->toBe(1250 + 165 + 1630 - 150 - 200)
        ->and(implode(' ', $sheet->explained))->toContain('Tails, orange, pair: 1 of 2 is €12.50; of it €2.50 are 25 % tax.')
        ->toContain('Delivery: its share for the goods that are back is €1.65.')->toContain('Goodwill: €16.30, 10 % of what was paid.');
    expect(Worksheet::of($this->order, ChosenRefund::everything(MoneyOfOrder::of($this->order)))->total())->toBe(16300);
});

it('counts what went back in the shop and at the provider, units and delivery, so that it goes back once', function (): void {
    Services::take(Channel::Shop, Services::order([
        'sold_on' => null, 'version' => 2, 'shipping' => ['amount' => 1900, 'title' => 'Parcel', 'tax_rate' => '0.25', 'refunded' => 900],
        'lines' => array_map(static fn (array $line): array => [
            ...$line, 'refunded' => $line['id'] === '20388-2' ? 1250 : 0,
        ], Services::order()['data']['order']['lines']),
        'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 2150]],
    ]));
    $money = MoneyOfOrder::of($this->order->refresh());
    expect($money->unitsBack())->toBe([$this->tails->id => 1])->and($money->left())->toBe(14150);
    $rest = Worksheet::of($this->order, ChosenRefund::everything($money));
    expect($rest->total())->toBe(14150)->and($rest->quote?->left->toDecimal())->toBe('0.00');
    // By hand at the provider, of which the shop knows nothing yet.
    providerTells(toldRefund('rf_9', null, 'done', 3000));
    providerTells(toldRefund('rf_9', null, 'done', 3000));
    expect(MoneyOfOrder::of($this->order)->left())->toBe(13300)
        ->and(Worksheet::of($this->order, ChosenRefund::everything($money))->why?->reason)->toBe('over_captured');
    providerTells(toldRefund('rf_8', 'somebody-elses', 'failed', 9000));
    expect(MoneyOfOrder::of($this->order)->left())->toBe(13300);
});

it('gives back once, whoever presses twice, and tells where it was asked for', function (): void {
    $chosen = new ChosenRefund([$this->kite->id => 1]);
    $refund = ($this->issue)($chosen, 11900, 'one');
    expect(($this->issue)($chosen, 11900, 'one')->id)->toBe($refund->id)->and(Refund::query()->count())->toBe(1)
        ->and($refund->total)->toBe(11900)->and($refund->lines()->sole()->tax)->toBe(2380)
        ->and(Payout::query()->sole()->amount)->toBe(11900)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400);
    // Somebody else, with a sheet opened before.
    expect(fn () => ($this->issue)($chosen, 11900, 'two'))->toThrow(RefundsRefused::class, '0 are left')
        ->and(fn () => ($this->issue)(new ChosenRefund(delivery: 'all'), 1000))->toThrow(RefundsRefused::class, '€19.00 would go back now')
        ->and(fn () => ($this->issue)(new ChosenRefund(goodwill: 'much'), 0))->toThrow(RefundsRefused::class, 'Write “much”')
        ->and(Refund::query()->count())->toBe(1)
        ->and(JournalEntry::query()->where('conversation_id', $this->conversation->id)->where('kind', JournalKind::RefundAsked)->count())
        ->toBe(1);
});

it('asks the provider under one key until it answers, and ends when it says so', function (): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    $keys = [];
    providerSays(function (Request $request) use (&$keys): never {
        $keys[] = $request->header('Idempotency-Key')[0];
        throw new ConnectionException('timed out');
    });
    payOut();
    payOut();
    expect($keys)->toHaveCount(1)->and(Payout::query()->sole()->why)->toContain('timed out');
    CarbonImmutable::setTestNow(now()->addSeconds(10));
    payOut();
    expect(array_unique($keys))->toHaveCount(1)->and($keys)->toHaveCount(2);
    CarbonImmutable::setTestNow(now()->addMinute());
    providerSays('pending');
    payOut();
    $payout = Payout::query()->sole();
    expect($payout->state)->toBe(PayoutState::Sent)->and($payout->outside_id)->toBe('rf_1')
        ->and(Refund::query()->sole()->state)->toBe(RefundState::Requested);
    providerTells(toldRefund('rf_1', $payout->once, 'done'));
    providerTells(toldRefund('rf_1', $payout->once, 'done'));
    // A notice that comes late takes nothing back.
    providerTells(toldRefund('rf_1', $payout->once, 'pending'));
    expect(Refund::query()->sole()->state)->toBe(RefundState::Done)
        ->and(JournalEntry::query()->where('kind', JournalKind::RefundEnded)->count())->toBe(1)
        ->and(DB::table('refunds_elsewhere')->count())->toBe(0);
});

it('asks how it went where the notice was lost', function (): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    providerSays('pending');
    payOut();
    CarbonImmutable::setTestNow(now()->addSeconds(61));
    providerSays(fn (Request $request) => Http::response([
        'refund' => toldRefund('rf_1', null, str_ends_with($request->url(), 'rf_1') ? 'done' : 'failed'),
    ]));
    payOut();
    expect(Refund::query()->sole()->state)->toBe(RefundState::Done);
});

it('is stuck where the card is gone or the bank refuses, tells who gave it, and gives the amount free again', function (string $how): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    providerSays($how === 'refused' ? 422 : 'failed');
    payOut();
    $refund = Refund::query()->with('payouts')->sole();
    expect($refund->state)->toBe(RefundState::Stuck)->and($refund->payouts[0]->state)->toBe(PayoutState::Failed)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(16300)
        ->and(DB::table('news')->where('kind', 'refund_failed')->pluck('teammate_id')->all())->toBe([$this->mads->id])
        ->and(JournalEntry::query()->where('kind', JournalKind::RefundEnded)->sole()->payload()->isGivenBack)->toBeFalse();
    payOut();
    expect(DB::table('news')->where('kind', 'refund_failed')->count())->toBe(1);
})->with(['refused', 'failed later']);

it('asks on where our key is not taken, and believes the provider that it has paid what was heard to have failed', function (): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    // The answer to the first asking may have been lost: a refused key says nothing of it.
    providerSays(401);
    payOut();
    $payout = Payout::query()->sole();
    expect($payout->state)->toBe(PayoutState::Requested)->and($payout->why)->toContain('401')->and($payout->next_at)->not->toBeNull();
    CarbonImmutable::setTestNow(now()->addMinute());
    providerSays('failed');
    payOut();
    expect(Refund::query()->sole()->state)->toBe(RefundState::Stuck);
    providerTells(toldRefund('rf_1', $payout->once, 'pending'));
    expect($payout->refresh()->state)->toBe(PayoutState::Failed);
    providerTells(toldRefund('rf_1', $payout->once, 'done'));
    expect(Refund::query()->sole()->state)->toBe(RefundState::Done)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(4400)
        ->and(JournalEntry::query()->where('kind', JournalKind::RefundEnded)->get()
            ->map(static fn (JournalEntry $entry): bool => $entry->payload()->isGivenBack)->all())->toBe([false, true]);
    // Nor does it turn back.
    providerTells(toldRefund('rf_1', $payout->once, 'failed'));
    expect($payout->refresh()->state)->toBe(PayoutState::Done);
    $this->actingAs($this->mads)->post('/refunds/'.Refund::query()->value('id').'/again')->assertSessionHas('problem_code', 'not_stuck');
});

it('is withdrawn where it cannot go back, and its lines are free for another', function (): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1], 'all'));
    providerSays(422);
    payOut();
    $refund = Refund::query()->sole();
    $once = Payout::query()->value('once');
    // While it may be tried again, another is not to give the same.
    expect(fn () => ($this->issue)(new ChosenRefund([$this->kite->id => 1]), 11900))->toThrow(RefundsRefused::class);
    $this->actingAs($this->teammate('ilse'))->post("/refunds/{$refund->id}/withdraw")->assertForbidden();
    $this->actingAs($this->mads)->get("/refunds/{$refund->id}")->assertSee('Withdraw')
        ->assertSeeTextInOrder(['failed', 'The card is closed.'])->assertDontSee('@if');
    $this->post("/refunds/{$refund->id}/withdraw")->assertSessionHas('done');
    $this->post("/refunds/{$refund->id}/withdraw")->assertSessionHas('problem_code', 'not_stuck');
    $this->post("/refunds/{$refund->id}/again")->assertSessionHas('problem_code', 'not_stuck');
    expect($refund->refresh()->state)->toBe(RefundState::Withdrawn)
        ->and(MoneyOfOrder::of($this->order->refresh())->unitsBack())->toBe([])
        ->and(JournalEntry::query()->where('kind', JournalKind::RefundWithdrawn)->count())->toBe(1);
    $second = ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    expect($second->total)->toBe(11900);
    // The provider has paid the first all the same: it counts, and the second cannot exceed what was paid.
    providerTells(toldRefund('rf_1', $once, 'done', $refund->total));
    expect($refund->refresh()->state)->toBe(RefundState::Done)
        ->and(MoneyOfOrder::of($this->order->refresh())->left())->toBe(max(0, 16300 - $refund->total - 11900));
});

it('is not withdrawn where a part of it has gone back', function (): void {
    Services::take(Channel::Shop, Services::order(['sold_on' => null, 'version' => 2, 'payments' => [
        ['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 10000, 'refunded' => 0],
        ['id' => 'pay-2', 'kind' => 'gift_card', 'label' => 'Gift card', 'captured' => 6300, 'refunded' => 0],
    ]]));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    $refund = ($this->issue)(ChosenRefund::everything(MoneyOfOrder::of($this->order)));
    providerSays(422);
    payOut();
    expect($refund->refresh()->state)->toBe(RefundState::Stuck)
        ->and($refund->payouts()->orderBy('id')->pluck('state')->all())->toBe([PayoutState::Failed, PayoutState::Done]);
    $this->actingAs($this->mads)->get("/refunds/{$refund->id}")->assertSee('Try it again')->assertDontSee('Withdraw');
    $this->post("/refunds/{$refund->id}/withdraw")->assertSessionHas('problem_code', 'partly_given');
    expect($refund->refresh()->state)->toBe(RefundState::Stuck);
});

it('tells the shop once it is through, again until it has it, and both books agree', function (): void {
    ($this->issue)(new ChosenRefund([$this->tails->id => 1], 'share'));
    providerSays('done');
    payOut();
    $refund = Refund::query()->sole();
    expect($refund->book_next_at)->not->toBeNull();
    providerSays(500);
    app()->call([new TellShopOfRefunds, 'handle']);
    expect($refund->refresh()->book_attempts)->toBe(1);
    CarbonImmutable::setTestNow(now()->addMinute());
    $sent = null;
    providerSays(function (Request $request) use (&$sent) {
        $sent = $request;
        $order = Services::order(['sold_on' => null, 'version' => 2])['data']['order'];
        $order['lines'][1]['refunded'] = 1250;
        $order['shipping']['refunded'] = 165;
        $order['payments'][0]['refunded'] = 1415;

        return Http::response(['order' => $order]);
    });
    app()->call([new TellShopOfRefunds, 'handle']);
    expect($sent?->url())->toEndWith('/v1/orders/B-20388/refunds')
        ->and($sent['lines'])->toBe([['id' => '20388-2', 'quantity' => 1, 'amount' => 1250]])
        ->and($sent['payments'])->toBe([['id' => 'pay-1', 'amount' => 1415]])->and($sent['shipping'])->toBe(165)
        ->and($refund->refresh()->book_next_at)->toBeNull();
    $money = MoneyOfOrder::of($this->order->refresh());
    expect($money->left())->toBe(16300 - 1415)->and($money->unitsBack())->toBe([$this->tails->id => 1]);
    $sent = null;
    app()->call([new TellShopOfRefunds, 'handle']);
    expect($sent)->toBeNull();
});

it('puts back on a gift card by the shop, and waits where no provider is connected', function (): void {
    $this->order->payments()->update(['kind' => 'gift_card']);
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    providerSays(fn () => throw new RuntimeException('Nobody is to be asked.'));
    payOut();
    expect(Refund::query()->sole()->state)->toBe(RefundState::Done);
    $this->order->payments()->update(['kind' => 'card']);
    Services::account(Channel::Tollgate)->forceFill(['state' => 'paused'])->save();
    ($this->issue)(new ChosenRefund([$this->tails->id => 1]));
    payOut();
    expect(Payout::query()->orderByDesc('id')->firstOrFail()->why)->toContain('Who holds the payment is not connected');
});

it('is tried again as something new, where there is as much left, and once', function (): void {
    ($this->issue)(new ChosenRefund([$this->kite->id => 1]));
    providerSays(422);
    payOut();
    $refund = Refund::query()->sole();
    $first = Payout::query()->value('once');
    $this->actingAs($this->mads)->post("/refunds/{$refund->id}/again")->assertSessionHas('done');
    $this->post("/refunds/{$refund->id}/again")->assertSessionHas('problem_code', 'not_stuck');
    expect(Payout::query()->value('once'))->not->toBe($first);
    providerSays(422);
    payOut();
    // Meanwhile it was given back by hand, at the provider.
    providerTells(toldRefund('rf_5', null, 'done', 16000));
    $this->post("/refunds/{$refund->id}/again")->assertSessionHas('problem_code', 'gave_elsewhere');
    expect($refund->refresh()->state)->toBe(RefundState::Stuck);
});

it('shows the worksheet, reckons after every change, and gives back what it showed', function (): void {
    $at = "/orders/{$this->order->id}/refund";
    $this->actingAs($this->mads)->get("{$at}?conversation={$this->conversation->id}")->assertOk()->assertSee('Merlin delta, red')
        ->assertSee('my kite has not come')->assertSee('Choose what goes back.');
    $form = [
        'lines' => [$this->kite->id => '1', $this->tails->id => '0'], 'delivery' => 'amount', 'delivery_amount' => '4,50',
        'conversation' => $this->conversation->id,
    ];
    $this->post("{$at}/reckon", $form, ['HX-Request' => 'true'])->assertOk()->assertSee('Give back €123.50')->assertDontSee('<html', false)
        ->assertSee("id=\"line-{$this->kite->id}-tax\" hx-swap-oob=\"true\">23.80", false)
        ->assertSee('name="shown" value="12350"', false);
    // Without a script, and with what cannot be: all that was written stays.
    $this->post("{$at}/reckon", [...$form, 'goodwill' => 'lots'])->assertOk()->assertSee('Write “lots” as an amount')
        ->assertSee('value="lots"', false)->assertSee('value="4,50"', false);
    $once = Str::uuid()->toString();
    $this->post($at, [...$form, 'shown' => 12350, 'once' => $once])->assertOk()->assertSee('Choose why the money goes back.');
    $this->post($at, [...$form, 'shown' => 100, 'once' => $once, 'reason' => 'Faulty'])->assertOk()->assertSee('€123.50 would go back now');
    $this->post($at, [...$form, 'shown' => 12350, 'once' => $once, 'reason' => 'Faulty'])->assertRedirect();
    $refund = Refund::query()->sole();
    $this->get("/refunds/{$refund->id}")->assertOk()->assertSee('€123.50 of B-20388: on its way')->assertSee('Merlin delta, red');
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Gave back €123.50 of order B-20388 by Mads Overgaard');
    $this->get($at)->assertSee('Given back of it before');
});

it('has who may not give money back ask a lead, and nobody else see the sheet', function (): void {
    $at = "/orders/{$this->order->id}/refund";
    $this->actingAs($this->teammate('ilse'))->post("{$at}/reckon", [
        'lines' => [$this->kite->id => '1'], 'conversation' => $this->conversation->id,
    ], ['HX-Request' => 'true'])->assertOk()->assertSee('Ask to give back')->assertSee('€119.00')
        ->assertSee('A second person says yes before you give money back.');
    $this->post($at, [
        'lines' => [$this->kite->id => '1'], 'shown' => 11900, 'once' => Str::uuid()->toString(), 'reason' => 'Faulty',
    ])->assertOk()->assertSee('before you give money back: ask for it.');
    $this->actingAs($this->teammate('femi'))->get($at)->assertForbidden();
    expect(Refund::query()->count())->toBe(0);
});

/**
 * A book of these, page by page.
 *
 * @param  array<string, mixed>  ...$refunds
 */
function bookHas(array ...$refunds): void
{
    providerSays(fn (Request $request) => Http::response([
        'refunds' => [$refunds[(int) $request['after']] ?? []][0] === [] ? [] : [$refunds[(int) $request['after']]],
        'next' => (string) ((int) $request['after'] + 1), 'more' => (int) $request['after'] + 1 < count($refunds),
    ]));
    app()->call([new ReconcilePayments, 'handle']);
}

it('has a person settle what the two books differ in: right as it is, or never left', function (): void {
    $report = fn (): array => app(StoreSettings::class)->get(ReconcilePayments::REPORT);
    foreach ([[$this->kite->id => 1], [$this->tails->id => 1]] as $lines) {
        ($this->issue)(new ChosenRefund($lines));
    }
    providerSays('pending');
    payOut();
    [$one, $two] = Payout::query()->orderBy('id')->get()->all();
    CarbonImmutable::setTestNow(now()->addSecond());
    providerTells(toldRefund('rf_2', $two->once, 'done', 1250));
    $book = fn () => bookHas(toldRefund('rf_1', $one->once, 'done', 1200), toldRefund('rf_9', null, 'done', 300));
    $book();
    expect($report()['differences'])->toHaveCount(2);
    $this->actingAs($this->mads);
    $this->post("/refunds/differences/{$one->id}", ['do' => 'right', 'note' => ' '])->assertSessionHas('problem_code', 'no_note');
    $this->post("/refunds/differences/{$one->id}", ['do' => 'right', 'note' => 'Their fee, credited by hand.'])->assertSessionHas('done');
    $this->post("/refunds/differences/{$two->id}", ['do' => 'never_left'])->assertRedirect("/refunds/{$two->refund_id}");
    expect($two->refresh()->state)->toBe(PayoutState::Failed)->and(Refund::query()->findOrFail($two->refund_id)->state)
        ->toBe(RefundState::Stuck)
        ->and($report()['differences'])->toBe([]);
    // Compared again, what was settled is not listed again.
    $book();
    expect($report()['differences'])->toBe([]);
    $this->post("/refunds/differences/{$one->id}", ['do' => 'never_left'])->assertSessionHas('problem_code', 'not_listed');
    $this->actingAs($this->teammate('ilse'))->post("/refunds/differences/{$one->id}", ['do' => 'right', 'note' => 'x'])->assertForbidden();
});

it('takes from the provider’s book what it had not heard, and says where the two do not agree', function (): void {
    $report = fn (): array => app(StoreSettings::class)->get(ReconcilePayments::REPORT);
    foreach ([[$this->kite->id => 1], [$this->tails->id => 1], [$this->tails->id => 1]] as $lines) {
        ($this->issue)(new ChosenRefund($lines));
    }
    providerSays('pending');
    payOut();
    [$one, $two, $three] = Payout::query()->orderBy('id')->get()->all();
    CarbonImmutable::setTestNow(now()->addSecond());
    // The second was given back with another amount, the third is not there although we had heard that it is through.
    providerTells(toldRefund('rf_3', $three->once, 'done', 1250));
    bookHas(toldRefund('rf_1', $one->once, 'done'), toldRefund('rf_2', $two->once, 'done', 1200), toldRefund('rf_7', null, 'done', 300));
    expect($one->refresh()->state)->toBe(PayoutState::Done)
        ->and(DB::table('refunds_elsewhere')->pluck('amount')->all())->toBe([300])
        ->and(array_column($report()['differences'], 'what'))->toBe([
            'the book has another amount', 'we have it as given back, and the book does not know it',
        ])
        ->and($report()['looked'])->toBe(3);
    $this->actingAs($this->mads)->get('/refunds')->assertOk()->assertSee('the book has another amount')->assertSee('€119.00');
    bookHas(
        toldRefund('rf_1', $one->once, 'done'), toldRefund('rf_2', $two->once, 'done', $two->amount),
        toldRefund('rf_3', $three->once, 'done', 1250)
    );
    expect($report()['differences'])->toBe([]);
    $this->get('/refunds')->assertSee('agree');
    providerSays(500);
    app()->call([new ReconcilePayments, 'handle']);
    $this->get('/refunds')->assertSee('could not be compared');
});

it('gives back what was bought on a marketplace from there, and hears of what it gave back by itself', function (): void {
    Account::query()->where('channel', Channel::Marrowby)->update(['state' => AccountState::Active]);
    Services::take(Channel::Shop, Services::order(['version' => 5]));
    $sold = $this->order->refresh()->load(['lines', 'payments']);
    $chosen = new ChosenRefund([$this->tails->id => 1]);
    app(IssueRefund::class)->issue($sold, $chosen, Worksheet::of($sold, $chosen)->total(), 'Faulty', null, $this->mads, 'one');
    $asked = [];
    providerSays(function (Request $request) use (&$asked) {
        $asked[] = $request->url();

        return Http::response(['refund' => toldRefund('rf_1', $request['reference'], 'pending', 1250)]);
    });
    payOut();
    $marrowby = Services::account(Channel::Marrowby);
    expect($asked)->toBe([rtrim((string) $marrowby->settings['base_url'], '/').'/v1/refunds'])
        ->and(Payout::query()->sole()->state)->toBe(PayoutState::Sent);
    $tell = fn (array $refund) => Services::take(Channel::Marrowby, [
        'id' => Services::id('e'), 'type' => 'refund.changed', 'at' => now()->toIso8601ZuluString(), 'data' => ['refund' => $refund],
    ]);
    $tell(toldRefund('rf_1', Payout::query()->sole()->once, 'done', 1250));
    $tell(toldRefund('rf_5', null, 'done', 3000));
    expect(Payout::query()->sole()->state)->toBe(PayoutState::Done)->and(MoneyOfOrder::of($sold->refresh())->left())
        ->toBe(16300 - 1250 - 3000);
    $marrowby->forceFill(['state' => AccountState::Paused])->save();
    $all = ChosenRefund::everything(MoneyOfOrder::of($sold));
    app(IssueRefund::class)->issue($sold, $chosen, 1250, 'Faulty', null, $this->mads, 'two');
    payOut();
    expect(Payout::query()->orderByDesc('id')->firstOrFail()->why)->toContain('is not connected')->and($all->lines)->not->toBe([]);
});
