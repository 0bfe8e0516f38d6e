<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Actor;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Orders\Order;
use App\Refunds\IssueRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Payout;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\SettlePayout;
use App\Refunds\WithdrawRefund;
use App\Refunds\Worksheet;
use App\Returns\ArriveAtBench;
use App\Returns\AskReturn;
use App\Returns\CustomerReturn;
use App\Returns\DecideReturn;
use App\Returns\FetchLabels;
use App\Returns\Grade;
use App\Returns\InspectedWorth;
use App\Returns\InspectReturn;
use App\Returns\LapseReturns;
use App\Returns\NameLabel;
use App\Returns\OfferedReturn;
use App\Returns\ReturnPolicy;
use App\Returns\ReturnReason;
use App\Returns\ReturnRefused;
use App\Returns\ReturnSettings;
use App\Returns\ReturnState;
use App\Returns\SettledAs;
use App\Returns\SettleReturn;
use App\Returns\TellOfReturns;
use App\Returns\TellShopOfReturns;
use App\Returns\UnitsInReturns;
use App\Support\FileStore;
use App\Support\StoreSettings;
use Carbon\CarbonImmutable;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * The way of a return: asked, agreed, labelled, seen, arrived, inspected, settled; and what goes another way.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::order());
    Services::take(Channel::WrenParcel, scanOf('WP7720388', 'collected', '2026-11-12T08:00:00Z'));
    Services::take(Channel::WrenParcel, scanOf('WP7720388', 'delivered', '2026-11-14T12:00:00Z'));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    [$this->mads, $this->femi] = [$this->teammate('mads'), $this->teammate('femi')];
    $this->conversation = Mails::conversation();
    $this->ask = fn (array $units, string $reason = 'Changed mind', bool $despite = false,
        string $once = ''): CustomerReturn => app(AskReturn::class)
        ->ask(
            $this->order, $units, ReturnReason::query()->where('name', $reason)->sole(), 'too big for the garden', $despite,
            $this->conversation, $this->mads, $once === '' ? Str::uuid()->toString() : $once
        );
    $this->agree = fn (CustomerReturn $return): CustomerReturn => app(DecideReturn::class)->agree($return, Actor::teammate($this->mads));
    $this->arrived = fn (array $units, string $reason = 'Changed mind'): CustomerReturn => app(ArriveAtBench::class)->arrive(
        ($this->agree)(($this->ask)($units, $reason)), Actor::teammate($this->femi)
    );
    $this->terms = function (string $reason, array $terms): void {
        $policy = ReturnPolicy::query()->whereHas('reason', fn ($of) => $of->where('name', $reason))->sole();
        $policy->forceFill(['terms' => [...$policy->terms, ...$terms]])->save();
    };
});

/**
 * @return array<string, mixed>
 */
function scanOf(string $parcel, string $stage, string $at): array
{
    return ['id' => Services::id('e'), 'type' => 'parcel.scanned', 'at' => $at, 'data' => [
        'parcel' => $parcel, 'scan' => ['id' => Services::id('s'), 'stage' => $stage, 'place' => 'Odense', 'at' => $at],
    ]];
}

function carrierSays(Closure|array $answer, int $status = 200): void
{
    Http::swap(new Illuminate\Http\Client\Factory);
    Http::fake(['*' => is_array($answer) ? Http::response($answer, $status) : $answer]);
}

function fetchLabels(): void
{
    app()->call([new FetchLabels, 'handle']);
}

/**
 * @return list<string>
 */
function saidOfReturns(int $conversation): array
{
    return JournalEntry::query()->where('conversation_id', $conversation)->where('kind', JournalKind::ReturnMoved)->orderBy('id')->get()
        ->map(fn (JournalEntry $entry): string => $entry->payload()->now->value)->all();
}

it('says what holds before anybody promises it', function (): void {
    ($this->terms)('Changed mind', ['labelCost' => ['EUR' => 650], 'longerIn' => ['DK' => 45]]);
    $offered = OfferedReturn::of($this->order, ReturnReason::query()->where('name', 'Changed mind')->sole(), [$this->kite->id => 1]);
    expect(implode(' ', $offered->sentences()))->toContain('It may come back until 29 December 2026, as the law of DK has it.')
        ->toContain('The customer pays the label, €6.50; for what was faulty, we do.')->toContain('What its delivery cost is given back.')
        ->toContain('After a look at it we give 100 % as new, 85 % when opened, 40 % when damaged.')
        ->and($offered->window->allowed)->toBeTrue()->and($offered->stays)->toBeFalse();
    // The last day is a Saturday and open; a day later it is a Sunday.
    ($this->terms)('Changed mind', ['longerIn' => [], 'days' => 15]);
    $late = OfferedReturn::of($this->order->refresh(), ReturnReason::query()->where('name', 'Changed mind')->sole(),
        [$this->kite->id => 1]);
    expect($late->lastDay()?->format('Y-m-d'))->toBe('2026-11-30');
});

it('takes the policy that says most closely for what it is', function (): void {
    $general = ReturnPolicy::query()->whereHas('reason', fn ($of) => $of->where('name', 'Faulty'))->sole();
    $for = fn (array $values): ReturnPolicy => tap((new ReturnPolicy)->forceFill([
        'reason_id' => $general->reason_id, 'terms' => $general->terms, 'product_words' => '', ...$values,
    ]))->save();
    $reason = $general->reason;
    $found = fn (array $units): int => OfferedReturn::of($this->order->refresh(), $reason, $units)->policy->id;
    expect($found([$this->tails->id => 1]))->toBe($general->id);
    $words = $for(['product_words' => 'reel, TAILS']);
    expect($found([$this->tails->id => 1]))->toBe($words->id)->and($found([$this->kite->id => 1]))->toBe($general->id);
    $market = $for(['marketplace' => 'Marrowby']);
    $for(['marketplace' => 'Quaymart']);
    expect($found([$this->tails->id => 1]))->toBe($market->id);
    $market->forceFill(['retired_at' => now()])->save();
    expect($found([$this->tails->id => 1]))->toBe($words->id);
    $none = ReturnReason::query()->where('name', 'Goodwill')->sole();
    expect(fn () => OfferedReturn::of($this->order, $none, [$this->kite->id => 1]))
        ->toThrow(ReturnRefused::class, 'no policy for “Goodwill”');
});

it('writes a return down once, on the terms of that day, and of nothing that is not there', function (): void {
    $return = ($this->ask)([$this->tails->id => 2], once: 'one');
    expect(($this->ask)([$this->tails->id => 2], once: 'one')->id)->toBe($return->id)->and(CustomerReturn::query()->count())->toBe(1)
        ->and($return->number())->toBe(sprintf('R-%04d', $return->id))->and($return->due_at?->isFuture())->toBeTrue();
    expect(fn () => ($this->ask)([$this->tails->id => 1]))->toThrow(ReturnRefused::class, 'part of another return')
        ->and(fn () => ($this->ask)([999_999 => 1]))->toThrow(ReturnRefused::class, 'not part of order B-20388')
        ->and(fn () => ($this->ask)([$this->kite->id => 2]))->toThrow(ReturnRefused::class, '1 can still come back')
        ->and(fn () => ($this->ask)([]))->toThrow(ReturnRefused::class, 'Choose what comes back');
    // Changed meanwhile, it goes by what it began with.
    ($this->terms)('Changed mind', ['sendWithin' => 3]);
    expect(($this->agree)($return)->lapse_at?->toIso8601ZuluString())->toBe('2026-12-07T10:00:00Z')
        ->and(UnitsInReturns::left($this->order))->toBe([$this->kite->id => 1, $this->tails->id => 0]);
    app(DecideReturn::class)->withdraw($return, Actor::teammate($this->mads));
    expect(UnitsInReturns::left($this->order)[$this->tails->id])->toBe(2);
});

it('takes what comes too late only when somebody says so', function (): void {
    CarbonImmutable::setTestNow('2027-02-01T10:00:00Z');
    expect(fn () => ($this->ask)([$this->kite->id => 1]))->toThrow(ReturnRefused::class, 'until 14 December 2026');
    $late = ($this->ask)([$this->kite->id => 1], despite: true);
    $this->actingAs($this->mads)->get('/returns?tab=all')->assertSee('14 Dec 2026');
    CarbonImmutable::setTestNow('2026-12-01T10:00:00Z');
    expect($late->mayComeUntil())->toBe('14 Dec');
});

it('asks the carrier for a label under one key until it answers', function (): void {
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    $keys = [];
    carrierSays(function (Request $request) use (&$keys) {
        $keys[] = $request->header('Idempotency-Key')[0];

        return Http::response(['error' => 'broken'], 500);
    });
    fetchLabels();
    fetchLabels();
    expect($keys)->toHaveCount(1)->and($return->refresh()->label_why)->not->toBeNull()->and($return->labelLink())->toContain('/label/');
    CarbonImmutable::setTestNow(now()->addMinute());
    carrierSays(function (Request $request) use (&$keys, $return) {
        $keys[] = $request->header('Idempotency-Key')[0];
        expect($request['from']['country'])->toBe('DK')->and($request['reference'])->toBe($return->number());

        return Http::response(['id' => 'L1', 'number' => 'WP791001', 'pdf' => base64_encode("%PDF-1.4\nlabel")]);
    });
    fetchLabels();
    $return->refresh();
    expect(array_unique($keys))->toHaveCount(1)->and($return->label_number)->toBe('WP791001')->and($return->label_why)->toBeNull()
        ->and(app(FileStore::class)->read((string) $return->label_file))->toStartWith('%PDF');
    $this->get("/label/{$return->label_key}")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $this->get('/label/'.Str::uuid())->assertNotFound();
    app(ArriveAtBench::class)->arrive($return, Actor::teammate($this->femi));
    $this->get("/label/{$return->label_key}")->assertStatus(410);
});

it('says where the carrier does not go, and takes the number of another parcel', function (): void {
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    carrierSays(['error' => 'country_not_served', 'message' => 'We do not collect in DK.'], 422);
    fetchLabels();
    expect($return->refresh()->label_why)->toContain('We do not collect in DK.')->and($return->label_next_at)->toBeNull()
        ->and($return->state)->toBe(ReturnState::Agreed);
    expect(fn () => app(NameLabel::class)->by($return, 'x y'))->toThrow(ReturnRefused::class, 'no number of a parcel');
    app(NameLabel::class)->by($return, 'PN-778812');
    $other = ($this->ask)([$this->tails->id => 1]);
    expect(fn () => app(NameLabel::class)->by($other, 'PN-778812'))->toThrow(ReturnRefused::class, $return->number());
    // That parcel is followed like ours.
    Services::take(Channel::WrenParcel, scanOf('PN-778812', 'collected', '2026-11-23T11:00:00Z'));
    expect($return->refresh()->state)->toBe(ReturnState::OnItsWay);
});

it('follows the parcel, whichever scan comes first, and has it stuck when none comes', function (): void {
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    CustomerReturn::query()->whereKey($return->id)->update(['label_number' => 'WP791001', 'label_next_at' => null]);
    Services::take(Channel::WrenParcel, scanOf('WP791001', 'announced', '2026-11-23T10:30:00Z'));
    expect($return->refresh()->state)->toBe(ReturnState::Agreed);
    Services::take(Channel::WrenParcel, scanOf('WP791001', 'at_depot', '2026-11-24T08:00:00Z'));
    Services::take(Channel::WrenParcel, scanOf('WP791001', 'collected', '2026-11-23T12:00:00Z'));
    expect($return->refresh()->state)->toBe(ReturnState::OnItsWay)->and($return->seen_at?->toIso8601ZuluString())
        ->toBe('2026-11-24T08:00:00Z')
        ->and($return->lapse_at)->toBeNull()->and($return->isStuck())->toBeFalse();
    CarbonImmutable::setTestNow('2026-11-30T10:00:00Z');
    expect($return->refresh()->isStuck())->toBeTrue();
    Services::take(Channel::WrenParcel, scanOf('WP791001', 'delivered', '2026-11-30T09:00:00Z'));
    expect($return->refresh()->state)->toBe(ReturnState::Arrived)->and($return->due_at)->not->toBeNull();
    // Scanned at the bench as well, and told once more by the carrier.
    app(ArriveAtBench::class)->arrive($return, Actor::teammate($this->femi));
    Services::take(Channel::WrenParcel, scanOf('WP791001', 'delivered', '2026-11-30T09:05:00Z'));
    expect(saidOfReturns($this->conversation->id))->toBe(['asked', 'agreed', 'on_its_way', 'arrived']);
});

it('finds a return by its label, its number, or the order of which one is expected', function (): void {
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    CustomerReturn::query()->whereKey($return->id)->update(['label_number' => 'WP791001']);
    $find = fn (string $code): int => app(ArriveAtBench::class)->find($code)->id;
    foreach (['WP791001', ' WP791001 ', $return->number(), strtolower($return->number()), 'B-20388', '71-4480217'] as $code) {
        expect($find($code))->toBe($return->id, $code);
    }
    ($this->ask)([$this->tails->id => 1]);
    foreach (['B-20388', 'WP000', 'R-999999', ''] as $code) {
        expect(fn () => $find($code))->toThrow(ReturnRefused::class, 'belongs to no return');
    }
});

it('reckons what an inspected return is worth, and gives back exactly that', function (): void {
    ($this->terms)('Changed mind', ['labelCost' => ['EUR' => 650], 'fee' => '5']);
    $return = ($this->arrived)([$this->kite->id => 1, $this->tails->id => 2]);
    expect(fn () => app(InspectReturn::class)->inspect($return, [$this->kite->id => [Grade::Opened]], [], [], $this->femi))
        ->toThrow(ReturnRefused::class, 'Tails, orange, pair is left');
    $inspected = app(InspectReturn::class)->inspect(
        $return, [$this->kite->id => [Grade::Opened], $this->tails->id => [Grade::AsNew, Grade::Missing]],
        [$this->kite->id => [false], $this->tails->id => [true, true]], ['a blue reel', ' '], $this->femi
    )->load('units');
    $sheet = Worksheet::of($this->order->refresh(), InspectedWorth::of($inspected)->chosen($inspected, MoneyOfOrder::of($this->order)));
    // Goods 119.00 + 12.50; the opened kite gives 85 %; 5 % of the goods is kept; all the delivery; the label.
    expect($sheet->why)->toBeNull()->and($sheet->deduction())->toBe(1785)->and($sheet->deduction($this->tails->id))->toBe(0)
        ->and($sheet->total())->toBe(13150 - 1785 - 658 + 1900 - 650)
        ->and(implode(' ', $sheet->explained))->toContain('Merlin delta, red, opened: of €119.00 we give 85 %, and take €17.85 off.')
        ->toContain('A fee of €6.58, 5 % of the goods, is kept.')->toContain('The customer pays the label, €6.50.');
    $refund = app(IssueRefund::class)->issue(
        $this->order, $sheet->chosen, $sheet->total(), 'Changed mind', $this->conversation, $this->mads, Str::uuid()->toString()
    );
    $return->refresh();
    expect($return->state)->toBe(ReturnState::Settled)->and($return->settled_as)->toBe(SettledAs::Refund)
        ->and([$refund->deduction, $refund->fee, $refund->return_id])->toBe([1785, 658, $return->id])
        ->and(Payout::query()->sole()->amount)->toBe($sheet->total());
    // From a sheet that was opened before: it is settled, and its units have gone back.
    expect(fn () => app(IssueRefund::class)->issue(
        $this->order, $sheet->chosen, $sheet->total(), 'Changed mind', $this->conversation, $this->mads, Str::uuid()->toString()
    ))->toThrow(App\Refunds\RefundsRefused::class)->and(Refund::query()->count())->toBe(1);
});

it('has what was faulty come back at our cost, whatever the customer said', function (): void {
    ($this->terms)('Changed mind', ['labelCost' => ['EUR' => 650]]);
    $inspected = app(InspectReturn::class)->inspect(
        ($this->arrived)([$this->kite->id => 1]), [$this->kite->id => [Grade::Faulty]], [], [], $this->femi
    )->load('units');
    $chosen = InspectedWorth::of($inspected)->chosen($inspected, MoneyOfOrder::of($this->order));
    expect($chosen->label)->toBe('')->and(Worksheet::of($this->order, $chosen)->total())->toBe(11900 + 1900);
});

it('gives nothing for what is not there or is something else, and says so', function (): void {
    $inspected = app(InspectReturn::class)->inspect(
        ($this->arrived)([$this->kite->id => 1]), [$this->kite->id => [Grade::Other]], [$this->kite->id => [true]], [], $this->femi
    )->load('units');
    expect($inspected->units->sole()->to_stock)->toBeFalse();
    $chosen = InspectedWorth::of($inspected)->chosen($inspected, MoneyOfOrder::of($this->order));
    expect($chosen->lines)->toBe([]);
    app(SettleReturn::class)->without($inspected, SettledAs::SentBack, Actor::teammate($this->mads));
    expect($inspected->refresh()->settled_as)->toBe(SettledAs::SentBack)
        ->and(fn () => app(SettleReturn::class)->without($inspected, SettledAs::Nothing, Actor::teammate($this->mads)))
        ->toThrow(ReturnRefused::class, 'is settled by now')->and(UnitsInReturns::left($this->order)[$this->kite->id])->toBe(1);
});

it('is to be settled anew where its money could not go back and was withdrawn', function (): void {
    $inspected = app(InspectReturn::class)->inspect(
        ($this->arrived)([$this->kite->id => 1]), [$this->kite->id => [Grade::AsNew]], [], [], $this->femi
    )->load('units');
    $chosen = InspectedWorth::of($inspected)->chosen($inspected, MoneyOfOrder::of($this->order));
    $refund = app(IssueRefund::class)->issue(
        $this->order, $chosen, Worksheet::of($this->order, $chosen)->total(), 'Changed mind', $this->conversation, $this->mads, 'once'
    );
    app(SettlePayout::class)->settle(Payout::query()->sole()->id, PayoutState::Failed, null, 'the card is gone');
    app(WithdrawRefund::class)->withdraw($refund->refresh(), $this->mads);
    expect($inspected->refresh()->state)->toBe(ReturnState::Inspected)->and($inspected->settled_as)->toBeNull()
        ->and(saidOfReturns($this->conversation->id))->toBe(['asked', 'agreed', 'arrived', 'inspected', 'settled', 'inspected'])
        ->and(Worksheet::of($this->order->refresh(), $chosen)->total())->toBe($refund->total);
});

it('lets what is worth little stay with the customer, and what need not be looked at go on by itself', function (): void {
    ($this->terms)('Changed mind', ['staysUnder' => ['EUR' => 1500]]);
    $stays = ($this->agree)(($this->ask)([$this->tails->id => 1]));
    expect($stays->stays)->toBeTrue()->and($stays->state)->toBe(ReturnState::Inspected)->and($stays->label_next_at)->toBeNull();
    ($this->terms)('Does not fit', ['needsInspection' => false]);
    $unseen = ($this->arrived)([$this->kite->id => 1], 'Does not fit');
    expect($unseen->state)->toBe(ReturnState::Inspected);
    $chosen = InspectedWorth::of($unseen)->chosen($unseen, MoneyOfOrder::of($this->order));
    expect($chosen->lines)->toBe([$this->kite->id => 1]);
});

it('reminds once of what is not sent, lets it lapse, and takes it all the same when it comes', function (): void {
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    $reminders = fn (): int => JournalEntry::query()->where('kind', JournalKind::ReturnReminded)->count();
    CarbonImmutable::setTestNow('2026-11-30T10:00:01Z');
    app(LapseReturns::class)();
    app(LapseReturns::class)();
    expect($reminders())->toBe(1)->and($return->refresh()->state)->toBe(ReturnState::Agreed);
    CarbonImmutable::setTestNow('2026-12-07T10:00:01Z');
    app(LapseReturns::class)();
    app(LapseReturns::class)();
    expect($return->refresh()->state)->toBe(ReturnState::Lapsed)->and($return->ended_at)->not->toBeNull();
    expect(fn () => ($this->agree)($return))->toThrow(ReturnRefused::class, 'is lapsed by now');
    app(ArriveAtBench::class)->arrive($return, Actor::teammate($this->femi));
    expect($return->refresh()->state)->toBe(ReturnState::Arrived)->and($return->ended_at)->toBeNull();
});

it('declines with a reason, and nobody decides what is decided', function (): void {
    $return = ($this->ask)([$this->kite->id => 1]);
    expect(fn () => app(DecideReturn::class)->decline($return, '  ', Actor::teammate($this->mads)))
        ->toThrow(ReturnRefused::class, 'Say why');
    app(DecideReturn::class)->decline($return, 'It was flown for a summer.', Actor::teammate($this->mads));
    expect($return->refresh()->why)->toBe('It was flown for a summer.')
        ->and(fn () => ($this->agree)($return))->toThrow(ReturnRefused::class, 'is declined by now');
});

it('tells the shop once what came back and what of it can be sold again', function (): void {
    $inspected = app(InspectReturn::class)->inspect(
        ($this->arrived)([$this->kite->id => 1, $this->tails->id => 2]),
        [$this->kite->id => [Grade::Damaged], $this->tails->id => [Grade::AsNew, Grade::Missing]], [$this->tails->id => [true, true]], [],
        $this->femi
    );
    app(SettleReturn::class)->without($inspected, SettledAs::Nothing, Actor::teammate($this->mads));
    $told = [];
    carrierSays(function (Request $request) use (&$told) {
        $told[] = [$request->header('Idempotency-Key')[0], $request['lines']];

        return count($told) === 1 ? Http::response([], 503)
            : Http::response(['order' => Services::order(['version' => 9])['data']['order']]);
    });
    $tell = fn () => app()->call([new TellShopOfReturns, 'handle']);
    $tell();
    $tell();
    CarbonImmutable::setTestNow(now()->addMinutes(20));
    $tell();
    $tell();
    expect($told)->toHaveCount(2)->and($told[0])->toBe($told[1])->and($told[0][1])->toBe([
        ['id' => '20388-1', 'quantity' => 1, 'stock' => 0], ['id' => '20388-2', 'quantity' => 1, 'stock' => 1],
    ])->and($inspected->refresh()->stock_next_at)->toBeNull();
});

it('tells the customer of the steps with the templates that were chosen, the label with it', function (): void {
    $template = (int) DB::table('templates')->insertGetId([
        'name' => 'Label', 'folder' => '', 'shared_with' => 'everybody', 'steps' => '[]', 'version' => 1, 'updated_at' => now(),
    ]);
    DB::table('template_languages')
        ->insert(['template_id' => $template, 'language' => 'en', 'text' => 'Return {{ return.number }}: {{ return.state }}.']);
    app(StoreSettings::class)->put(ReturnSettings::NAME, ['told' => ['agreed' => $template, 'arrived' => $template]]);
    $tell = fn () => app()->call([new TellOfReturns, 'handle']);
    $said = fn () => Message::query()->where('direction', Message::OUT)->orderBy('id')->with(['attachments', 'teammate'])->get();
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null, 'version' => 3]));
    $return = ($this->agree)(($this->ask)([$this->kite->id => 1]));
    $tell();
    // It waits for its label.
    expect($said())->toHaveCount(0);
    carrierSays(['id' => 'L1', 'number' => 'WP791001', 'pdf' => base64_encode("%PDF-1.4\nlabel")]);
    fetchLabels();
    CarbonImmutable::setTestNow(now()->addSeconds(11));
    $tell();
    $tell();
    [$first] = $said()->all();
    expect($said())->toHaveCount(1)->and($first->text)->toContain("Return {$return->number()}: agreed.")
        ->and($first->attachments->sole()->name)->toBe("label-{$return->number()}.pdf")->and($first->teammate_id)->toBe($this->mads->id);
    // The bench does not write to customers: a lead does, in its place.
    app(ArriveAtBench::class)->arrive($return, Actor::teammate($this->femi));
    $tell();
    expect($said())->toHaveCount(2)->and($said()[1]->text)->toContain('arrived')->and($said()[1]->teammate->role->answersCustomers())
        ->toBeTrue();
    $this->actingAs($this->mads)->get("/returns/{$return->id}")->assertSee('Told “Label”');
});

it('says at the return why the customer was not told', function (): void {
    $template = (int) DB::table('templates')->insertGetId([
        'name' => 'Gaps', 'folder' => '', 'shared_with' => 'everybody', 'steps' => '[]', 'version' => 1, 'updated_at' => now(),
    ]);
    DB::table('template_languages')->insert(['template_id' => $template, 'language' => 'en', 'text' => '{{ exchange.payment_link }}']);
    app(StoreSettings::class)->put(ReturnSettings::NAME, ['told' => ['declined' => $template]]);
    $return = ($this->ask)([$this->kite->id => 1]);
    app(DecideReturn::class)->decline($return, 'Flown all summer.', Actor::teammate($this->mads));
    app()->call([new TellOfReturns, 'handle']);
    $this->actingAs($this->mads)->get("/returns/{$return->id}")->assertSee('Not told “Gaps”')->assertSee('exchange.payment_link');
});

/**
 * @param  array<string, mixed>  $with
 */
function askedOnMarrowby(string $reason, array $with = []): void
{
    Services::take(Channel::Marrowby,
        ['id' => Services::id('e'), 'type' => 'return.requested', 'at' => now()->toIso8601ZuluString(), 'data' => [
            'request' => [
                'id' => Services::id('mr'), 'order_number' => '71-9000001', 'buyer' => ['id' => 'leif88', 'name' => 'Leif F.'],
                'reason' => $reason,
                'text' => 'It does not suit me.', 'asked_at' => now()->toIso8601ZuluString(),
                'answer_by' => now()->addDay()->toIso8601ZuluString(),
                'state' => 'asked', 'messages' => [], ...$with,
            ],
        ]]);
}

it('takes what a customer asks for on a marketplace as a return that waits for its decision, once', function (): void {
    $one = static fn (array $with = []): array => Services::order([
        'id' => 'ord_9', 'number' => 'B-29001', 'sold_on' => ['marketplace' => 'Marrowby', 'number' => '71-9000001', 'buyer' => 'leif88'],
        'parcels' => [], 'lines' => [[
            'id' => '9-1', 'sku' => 'KES-RED', 'title' => 'Kestrel 3, red', 'quantity' => 1, 'unit_price' => 18900, 'discount' => 0,
            'tax_rate' => '0.25', 'sent' => 1, 'returned' => 0, 'refunded' => 0,
        ]], ...$with,
    ]);
    Services::take(Channel::Shop, $one());
    askedOnMarrowby('changed my mind');
    $return = CustomerReturn::query()->with(['reason', 'conversation'])->sole();
    expect([$return->state, $return->reason->name, $return->teammate_id])->toBe([ReturnState::Asked, 'Changed mind', null])
        ->and($return->conversation?->kind->value)->toBe('return_request');
    // Asked once more elsewhere: it is part of that one.
    askedOnMarrowby('broken');
    expect(CustomerReturn::query()->count())->toBe(1);
});

it('leaves to the team what is not clear', function (string $reason, int $quantity): void {
    Services::take(Channel::Shop, Services::order([
        'id' => 'ord_9', 'number' => 'B-29001', 'sold_on' => ['marketplace' => 'Marrowby', 'number' => '71-9000001', 'buyer' => 'leif88'],
        'parcels' => [], 'lines' => [[
            'id' => '9-1', 'sku' => 'KES-RED', 'title' => 'Kestrel 3, red', 'quantity' => $quantity, 'unit_price' => 18900, 'discount' => 0,
            'tax_rate' => '0.25', 'sent' => 1, 'returned' => 0, 'refunded' => 0,
        ]],
    ]));
    askedOnMarrowby($reason);
    expect(CustomerReturn::query()->count())->toBe(0);
})->with(['of which of two' => ['broken', 2], 'a reason that nobody knows' => ['the colour of the sky', 1]]);
