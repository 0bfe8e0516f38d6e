<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Services\EventFields;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\CreditNotes\IssueCreditNotes;
use App\Orders\Order;
use App\Orders\OrderLine;
use App\Orders\TakeCarrierEvent;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Payout;
use App\Refunds\PayoutMethod;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\SettlePayout;
use App\Refunds\TellShopOfRefunds;
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
use App\Returns\PolicyToSave;
use App\Returns\ReturnPolicy;
use App\Returns\ReturnReason;
use App\Returns\ReturnSettings;
use App\Returns\ReturnTerms;
use App\Returns\SaveReturnPolicy;
use App\Returns\SettledAs;
use App\Returns\SettleReturn;
use App\Returns\TellShopOfReturns;
use App\Store\Store;
use App\StoreCredit\TakeCredit;
use App\Support\StoreSettings;
use App\Team\Teammate;
use App\Templates\Template;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;

/**
 * What came back to the demo store in the past weeks, and what was given back: sixty returns and ninety refunds, each through the same
 * steps as on any day, with the carrier, the provider and the shop knowing of them too.
 */
final class DemoReturns
{
    private const REFUNDS = 90;

    /** How each goes: days ago it was asked for, why, how far it came, how it was found. Most are settled. */
    private const STANDING = [
        [0, 'Changed mind', 'asked'], [1, 'Does not fit', 'asked'], [2, 'Changed mind', 'agreed'], [3, 'Does not fit', 'agreed'],
        [4, 'Faulty', 'moving'], [5, 'Does not fit', 'moving'], [5, 'Wrong item', 'moving'], [9, 'Wrong item', 'stuck'],
        [11, 'Changed mind', 'stuck'], [6, 'Does not fit', 'arrived'], [6, 'Faulty', 'arrived'], [7, 'Changed mind', 'arrived'],
        [7, 'Damaged on the way', 'arrived'], [8, 'Changed mind', 'inspected', Grade::Opened],
        [8, 'Does not fit', 'inspected', Grade::AsNew], [10, 'Changed mind', 'declined'], [14, 'Faulty', 'declined'],
        [24, 'Changed mind', 'lapsed'], [33, 'Does not fit', 'lapsed'], [18, 'Changed mind', 'withdrawn'],
        [12, 'Changed mind', 'nothing', Grade::Other], [27, 'Does not fit', 'sent back', Grade::Damaged],
    ];

    /** Of those that somebody is writing about: order, days ago, why, how far it came, and what the customer said. */
    private const WRITTEN_ABOUT = [
        ['B-20377', 4, 'Changed mind', 'moving', 'Too strong for my daughter.'],
        ['B-20431', 1, 'Wrong item', 'asked', 'Ordered teal, got orange. The bag says teal.'],
        ['B-20402', 1, 'Faulty', 'asked', 'The two halves of the reel came apart in my hand.'],
    ];

    private const SETTLED = 35;

    /** Of so many settled returns, one. */
    private const AS_CREDIT = 9;

    /** For those that are settled, in turn. */
    private const REASONS = ['Changed mind', 'Does not fit', 'Faulty', 'Changed mind', 'Damaged on the way', 'Wrong item', 'Changed mind'];

    private const GRADES = [Grade::AsNew, Grade::Opened, Grade::Faulty, Grade::AsNew, Grade::AsNew, Grade::Damaged];

    private const NOTES = [
        'Changed mind' => ['My son has one already.', 'It is larger than our beach.', 'Bought two, keeping one.'],
        'Does not fit' => ['The spar is too short for mine.', 'The line is too strong for it.', ''],
        'Faulty' => ['The ferrule split on the first flight.', 'The reel jams.', 'A seam is open at the nose.'],
        'Damaged on the way' => ['The tube was bent, and a spar with it.', 'The bag was torn open.'],
        'Wrong item' => ['I ordered teal tails and got orange ones.', 'Slate instead of red.'],
    ];

    private const DECLINED = ['The thirty days were over in summer.', 'The sail is torn by a landing in a tree, not by a fault.'];

    /** Without anything coming back: why, how often in turn, and what is chosen. */
    private const MONEY_ALONE = ['Goodwill', 'Late', 'Missing part', 'Lost parcel', 'Goodwill', 'Late', 'Cancelled'];

    private Teammate $ilse;

    private Teammate $mads;

    private Teammate $femi;

    /** @var Collection<int, Order> */
    private Collection $orders;

    public function __construct(
        private readonly AskReturn $ask, private readonly DecideReturn $decide, private readonly ArriveAtBench $arrive,
        private readonly InspectReturn $inspect, private readonly SettleReturn $settle, private readonly IssueRefund $issue,
        private readonly SettlePayout $settlePayout, private readonly SaveReturnPolicy $save, private readonly StoreSettings $settings,
        private readonly TakeCarrierEvent $carrier, private readonly LapseReturns $lapse, private readonly TakeCredit $takeCredit
    ) {}

    /**
     * What Brindle has arranged for returns.
     */
    public function policies(): void
    {
        $this->settings->put(ReturnSettings::NAME, ['calendar' => null, 'stuck' => 5, 'hours' => ReturnSettings::USUAL_HOURS]);
        $this->settings->put(Store::SETTING, [
            ...(array) config('cairnfield.store'), ...(array) $this->settings->get(Store::SETTING),
            'imprint' => "Quayside 4\n8000 Aarhus C\nDK 31 41 59 26",
        ]);
        $corin = Teammate::query()->where('email', 'corin@brindle.example')->firstOrFail();
        foreach (ReturnPolicy::query()->with('reason')->get() as $policy) {
            $terms = ReturnTerms::ofArray([
                ...$policy->terms, 'labelCost' => $policy->terms['customerPays'] ? ['EUR' => 650] : [],
                'longerIn' => $policy->reason->name === 'Changed mind' ? ['SE' => 60] : [],
                'staysUnder' => in_array($policy->reason->name, ['Faulty', 'Damaged on the way'], true) ? ['EUR' => 800] : [],
            ]);
            $this->save->save($policy, $policy->reason, PolicyToSave::with($terms), 1, $corin);
        }
        $mind = $this->reason('Changed mind');
        // Lines and spars cannot be sold again once they were cut or flown.
        $this->save->save(null, $mind, PolicyToSave::with(new ReturnTerms(
            days: 14, labelCost: ['EUR' => 650], shares: ['opened' => '50', 'damaged' => '0']
        ), 'line set, spar, ferrule'), 0, $corin);
        // Marrowby has changed its rule: longer, and the label is the seller's.
        $this->save->save(null, $mind, PolicyToSave::with(new ReturnTerms(
            days: 45, customerPays: false, delivery: 'all', shares: ['opened' => '100']
        ), marketplace: 'Marrowby'), 0, $corin);
    }

    public function load(): void
    {
        // What follows by itself is done here, on its day.
        config(['queue.connections.none' => ['driver' => 'null'], 'queue.default' => 'none']);
        [$this->ilse, $this->mads, $this->femi] = array_map(
            static fn (string $name): Teammate => Teammate::query()->where('email', "{$name}@brindle.example")->firstOrFail(),
            ['ilse', 'mads', 'femi']
        );
        $this->orders = Order::query()->whereNull('marketplace')->where('status', 'sent')
            ->with(['lines', 'payments', 'parcels.scans', 'conversations'])->orderBy('placed_at')->get()
            ->filter(static fn (Order $order): bool => $order->refunded() === 0)->values();
        $today = CarbonImmutable::now();
        for ($number = 0; $number < self::SETTLED; $number++) {
            $this->play($today, 13 + (int) round($number * 43 / self::SETTLED), self::REASONS[$number % count(self::REASONS)], 'settled',
                self::GRADES[$number % count(self::GRADES)], $number);
        }
        foreach (self::STANDING as $number => $story) {
            $this->play($today, $story[0], $story[1], $story[2], $story[3] ?? Grade::AsNew, $number);
        }
        foreach (self::WRITTEN_ABOUT as $number => [$order, $daysAgo, $reason, $until, $said]) {
            $this->play($today, $daysAgo, $reason, $until, Grade::AsNew, $number, $order, $said);
        }
        $this->giveBackAlone($today);
        CarbonImmutable::setTestNow();
    }

    /**
     * From now on: what happened before has been told.
     */
    public function tellFromNowOn(): void
    {
        $told = static fn (string $name): ?int => Template::query()->where('name', $name)->value('id');
        $this->settings->put(ReturnSettings::NAME, [
            ...(array) $this->settings->get(ReturnSettings::NAME),
            'told' => array_filter(['agreed' => $told('Return label'), 'arrived' => $told('Your return has arrived')]),
        ]);
    }

    private function play(CarbonImmutable $today, int $daysAgo, string $reason, string $until, Grade $grade, int $number,
        ?string $of = null, string $said = ''): void
    {
        $asked = $today->subDays($daysAgo)->setTime(8 + $number % 7, ($number * 17) % 60);
        $asked = $asked->isAfter($today) ? $today->subMinutes(20 + $number * 7) : $asked;
        $order = $of === null ? $this->orderFor($asked) : $this->orders->firstOrFail('number', $of);
        if ($order === null) {
            return;
        }
        CarbonImmutable::setTestNow($asked);
        $conversation = $of === null ? null : $this->conversationOf($order);
        $notes = self::NOTES[$reason];
        $return = $this->ask->ask(
            $order, $this->units($order, $number), $this->reason($reason), $said === '' ? $notes[$number % count($notes)] : $said, true,
            $conversation,
            $this->ilse,
            "demo-{$order->id}"
        );
        $steps = match ($until) {
            'asked' => [],
            'declined' => ['decline'],
            'agreed', 'lapsed', 'withdrawn' => ['agree'],
            'moving', 'stuck' => ['agree', 'collected', 'at_depot'],
            'arrived' => ['agree', 'collected', 'at_depot', 'delivered'],
            'inspected' => ['agree', 'collected', 'at_depot', 'delivered', 'inspect'],
            default => ['agree', 'collected', 'at_depot', 'delivered', 'inspect', 'settle'],
        };
        foreach ($steps as $index => $step) {
            $hours = [3, 22, 45, 90, 116, 122][$index];
            CarbonImmutable::setTestNow($today->min($asked->addHours($hours)));
            $return = $this->step($return->refresh(), $step, $until, $grade, $number);
        }
        if ($until === 'lapsed') {
            CarbonImmutable::setTestNow($asked->addDays(15));
            ($this->lapse)();
        } elseif ($until === 'withdrawn') {
            CarbonImmutable::setTestNow($asked->addDays(2));
            $this->decide->withdraw($return->refresh(), Actor::teammate($this->ilse));
        }
    }

    private function step(CustomerReturn $return, string $step, string $until, Grade $grade, int $number): CustomerReturn
    {
        $bench = Actor::teammate($this->femi);

        return match ($step) {
            'decline' => $this->decide->decline($return, self::DECLINED[$number % count(self::DECLINED)], Actor::teammate($this->mads)),
            'agree' => $this->agreed($return),
            'inspect' => $return->state->value === 'arrived' ? $this->inspected($return, $grade) : $return,
            'settle' => $this->settled($return, $until),
            default => $return->stays ? $return : $this->scanned($return, $step, $bench),
        };
    }

    private function agreed(CustomerReturn $return): CustomerReturn
    {
        $agreed = $this->decide->agree($return, Actor::teammate($this->ilse));
        FetchLabels::dispatchSync();

        return $agreed->refresh();
    }

    private function scanned(CustomerReturn $return, string $stage, Actor $bench): CustomerReturn
    {
        if ($return->label_number !== null) {
            $scan = $this->console(Channel::WrenParcel, 'scan', [
                'number' => $return->label_number, 'stage' => $stage, 'place' => $stage === 'delivered' ? 'Aarhus' : 'Odense',
            ]);
            $this->carrier->take($this->account(Channel::WrenParcel), [
                'type' => 'parcel.scanned', 'data' => ['parcel' => $return->label_number, 'scan' => $scan],
            ]);
        } elseif ($stage === 'delivered') {
            $this->arrive->arrive($return, $bench);
        }

        return $return->refresh();
    }

    private function inspected(CustomerReturn $return, Grade $grade): CustomerReturn
    {
        $return->load('lines');
        $grades = $toStock = [];
        foreach ($return->lines as $line) {
            $grades[$line->order_line_id] = array_fill(0, $line->quantity, $grade);
            $toStock[$line->order_line_id] = array_fill(0, $line->quantity, $grade->usuallyToStock());
        }

        return $this->inspect->inspect($return, $grades, $toStock, [], $this->femi);
    }

    private function settled(CustomerReturn $return, string $until): CustomerReturn
    {
        $return->load(['lines', 'units', 'order', 'reason', 'conversation']);
        $money = MoneyOfOrder::of($return->order);
        $sheet = Worksheet::of($return->order, InspectedWorth::of($return)->chosen($return, $money));
        // Now and then, somebody takes store credit.
        $chosen = ChosenRefund::read([...$sheet->chosen->toArray(), 'payments' => ChosenRefund::AS_CREDIT,
            'return' => (string) $return->id]);
        $sheet = $until === 'settled' && $return->id % self::AS_CREDIT === 0 ? Worksheet::of($return->order, $chosen) : $sheet;
        if ($until === 'settled' && $sheet->quote !== null) {
            $this->giveBack($sheet, $return->reason->name, $return->conversation);
        } else {
            $this->settle->without($return, $until === 'sent back' ? SettledAs::SentBack : SettledAs::Nothing,
                Actor::teammate($this->mads));
        }
        TellShopOfReturns::dispatchSync();

        return $return->refresh();
    }

    /**
     * Gone back on that day: the provider has it in its book, and the shop knows of it.
     */
    private function giveBack(Worksheet $sheet, string $reason, ?Conversation $conversation, bool $fails = false): Refund
    {
        $refund = $this->issue->issue(
            $sheet->order, $sheet->chosen, $sheet->total(), $reason, $conversation, $this->mads, Str::uuid()->toString()
        );
        foreach ($refund->payouts()->with(['payment', 'refund'])->get() as $payout) {
            if ($payout->method === PayoutMethod::Credit) {
                $this->credited($payout);

                continue;
            }
            $told = $fails || $payout->payment->kind !== 'card' ? null : $this->console(Channel::Tollgate, 'book', [
                'payment' => $payout->payment->outside_id, 'amount' => $payout->amount, 'reference' => $payout->once,
            ]);
            $this->settlePayout->settle(
                $payout->id, $fails ? PayoutState::Failed : PayoutState::Done, $told['refund']['id'] ?? null,
                $fails ? 'The card has expired or is closed: nothing can be given back to it.' : null
            );
        }
        $fails || IssueCreditNotes::dispatchSync();
        $fails || TellShopOfRefunds::dispatchSync();

        return $refund;
    }

    /**
     * A code of the shop, of which some have bought for already.
     */
    private function credited(Payout $payout): void
    {
        $shop = $this->account(Channel::Shop);
        $told = $this->console(Channel::Shop, 'give-credit', [
            'amount' => $payout->amount + $payout->bonus, 'currency' => $payout->refund->currency, 'reference' => $payout->once,
        ])['credit'];
        $this->settlePayout->settle($payout->id, PayoutState::Done, $told['code']);
        $told = $payout->id % 2 === 0 ? $told : $this->console(Channel::Shop, 'use-credit', [
            'code' => $told['code'], 'amount' => (string) min(1400, $payout->amount),
            'order' => Order::query()->where('placed_at', '<', now())->orderByDesc('placed_at')->value('number'),
        ]);
        $this->takeCredit->take($shop, EventFields::of($told), $payout);
    }

    /**
     * Money alone: what was late, lost, missing, or given as goodwill.
     */
    private function giveBackAlone(CarbonImmutable $today): void
    {
        $missing = self::REFUNDS - Refund::query()->count();
        for ($number = 0; $number < $missing; $number++) {
            $at = $today->subDays(1 + (int) round($number * 54 / max(1, $missing)))->setTime(9 + $number % 6, ($number * 13) % 60);
            $order = $this->orderFor($at, 70);
            if ($order === null) {
                continue;
            }
            CarbonImmutable::setTestNow($at);
            $reason = self::MONEY_ALONE[$number % count(self::MONEY_ALONE)];
            $first = $order->lines->firstOrFail();
            $sheet = Worksheet::of($order, match ($reason) {
                'Late' => $order->shipping_amount > 0 ? new ChosenRefund(delivery: 'all') : new ChosenRefund(goodwill: '5.00'),
                'Missing part' => new ChosenRefund(goodwill: '4.50'),
                'Lost parcel' => ChosenRefund::everything(MoneyOfOrder::of($order)),
                'Cancelled' => new ChosenRefund([$first->id => 1]),
                default => new ChosenRefund(goodwill: $number % 2 === 0 ? '10 %' : '5.00'),
            });
            $sheet->quote === null ?: $this->giveBack($sheet, $reason, null, $number === 3);
        }
    }

    /**
     * The next that had arrived some days before, and that nobody is writing about.
     */
    private function orderFor(CarbonImmutable $at, int $mostDays = 28): ?Order
    {
        $found = $this->orders->first(static fn (Order $order): bool => $order->conversations->isEmpty()
            && ($days = $order->placed_at->diffInDays($at)) > 7 && $days < $mostDays);
        $this->orders = $this->orders->reject(static fn (Order $order): bool => $order->id === $found?->id)->values();

        return $found;
    }

    private function conversationOf(Order $order): ?Conversation
    {
        return $order->conversations->first(static fn (Conversation $conversation): bool => $conversation->channel === Channel::Email
            && $conversation->customer_id === $order->customer_id && $conversation->joined_into_id === null
            && ! in_array($conversation->state, [ConversationState::Resolved, ConversationState::Closed], true));
    }

    /**
     * @return array<int, int>
     */
    private function units(Order $order, int $number): array
    {
        $lines = $number % 4 === 0 ? $order->lines : $order->lines->take(1);

        return $lines->mapWithKeys(static fn (OrderLine $line): array => [$line->id => $number % 5 === 0 ? $line->quantity : 1])->all();
    }

    private function reason(string $name): ReturnReason
    {
        return ReturnReason::query()->where('name', $name)->firstOrFail();
    }

    private function account(Channel $channel): Account
    {
        return Account::query()->where('channel', $channel)->orderBy('id')->firstOrFail();
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function console(Channel $channel, string $act, array $values): array
    {
        return (array) Http::baseUrl((string) $this->account($channel)->settings['base_url'])->acceptJson()->asJson()
            ->post("/act/{$act}", [...$values, 'at' => CarbonImmutable::now()->toIso8601ZuluString('millisecond')])->throw()->json();
    }
}
