<?php

declare(strict_types=1);

namespace App\Exchanges;

use App\Approvals\SpendingLimits;
use App\Conversations\ConversationBeside;
use App\Orders\Order;
use App\Orders\Product;
use App\Refunds\ChosenRefund;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Worksheet;
use App\Returns\CustomerReturn;
use App\Returns\InspectedWorth;
use App\Returns\ReturnReason;
use App\Support\RandomUuid;
use App\Support\Refused;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * Sending the same again, something else in its place, cancelling, and another address.
 */
final readonly class ExchangesController
{
    public function __construct(private SendInstead $send, private ChangeUnsentOrder $change, private SpendingLimits $limits) {}

    public function form(Request $request, Order $order): View
    {
        return $this->page($request, $order);
    }

    /**
     * What it comes to, after every change.
     */
    public function reckon(Request $request, Order $order): View
    {
        return $request->hasHeader('HX-Request')
            ? view('exchanges.reckoned', $this->reckoned($request, $order))
            : $this->page($request, $order);
    }

    public function store(Request $request, Order $order): RedirectResponse|View
    {
        $written = $request->validate([
            'shown' => ['required', 'integer'], 'reason' => ['nullable', 'string', 'max:200'], 'once' => ['required', 'uuid'],
            'how' => ['required', 'in:again,exchange'],
        ]);
        $conversation = ConversationBeside::of($request);
        $teammate = SignedIn::teammate($request);
        $reason = (string) ($written['reason'] ?? '');
        $confirmed = $request->boolean('address_confirmed');
        $chosen = ChosenRefund::read($request->all());
        try {
            if ($written['how'] === 'again') {
                $return = CustomerReturn::ofOrder($order, $request->integer('return'));
                $exchange = $this->send->again(
                    $order, $chosen->lines, $reason, $confirmed, $conversation, $return, $teammate, $written['once']
                );
            } else {
                $exchange = $this->send->exchange(
                    $order, $chosen, self::goods($request), (int) $written['shown'], $reason, $confirmed, $conversation, $teammate,
                    $written['once'], $this->limits
                );
            }
        } catch (Refused $why) {
            return $this->page($request, $order, $why->getMessage());
        }

        return redirect("/exchanges/{$exchange->id}")->with('done', 'The shop is asked to send it.');
    }

    public function show(Exchange $exchange): View
    {
        $exchange->load(['order', 'newOrder.parcels.scans', 'refund', 'return', 'teammate', 'conversation']);
        $isRead = $exchange->conversation !== null && Gate::allows('view', $exchange->conversation);

        return view('exchanges.show', ['exchange' => $exchange, 'conversation' => $isRead ? $exchange->conversation : null]);
    }

    public function again(Exchange $exchange): RedirectResponse
    {
        $this->send->tryAgain($exchange);

        return redirect("/exchanges/{$exchange->id}")->with('done', 'The shop is asked once more.');
    }

    public function money(Request $request, Exchange $exchange): RedirectResponse
    {
        $this->send->giveMoneyBack($exchange, SignedIn::teammate($request));

        return redirect("/refunds/{$exchange->refund_id}")->with('done', 'The money is on its way back.');
    }

    public function cancel(Request $request, Order $order): RedirectResponse
    {
        $reason = (string) ($request->validate(['reason' => ['nullable', 'string', 'max:200']])['reason'] ?? '');
        $this->change->cancel($order, $reason, ConversationBeside::of($request), SignedIn::teammate($request));

        return redirect()->route('order', $order)->with('done', "{$order->number} is cancelled. What was paid can be given back.");
    }

    public function readdress(Request $request, Order $order): RedirectResponse
    {
        $written = $request->validate(['address' => ['nullable', 'string', 'max:1000'], 'country' => ['nullable', 'string', 'max:2']]);
        $this->change->readdress(
            $order, (string) ($written['address'] ?? ''), mb_strtoupper((string) ($written['country'] ?? '')),
            ConversationBeside::of($request),
            SignedIn::teammate($request)
        );

        return redirect()->route('order', $order)->with('done', "{$order->number} goes to the new address.");
    }

    private function page(Request $request, Order $order, ?string $problem = null): View
    {
        $order->loadMissing(['lines', 'payments']);
        $return = CustomerReturn::ofOrder($order, $request->integer('return'));
        if ($return !== null && ! $request->has('lines')) {
            $worth = InspectedWorth::of($return)->chosen($return, MoneyOfOrder::of($order));
            // From a return, something is mostly wanted in its place.
            $request->merge(['how' => $request->input('how', 'exchange'), 'lines' => $worth->lines, 'reason' => $return->reason->name,
                ...collect($worth->toArray())->except('lines')->all()]);
        }

        return view('exchanges.form', [
            ...$this->reckoned($request, $order), 'problem' => $problem, 'conversation' => ConversationBeside::of($request),
            'products' => Product::query()->where('account_id', $order->account_id)->orderBy('title')->get(),
            'reasons' => ReturnReason::inUse()->pluck('name'), 'reason' => Written::text($request, 'reason'),
            'back' => MoneyOfOrder::of($order)->unitsBack(), 'confirmed' => $request->boolean('address_confirmed'),
            'onceKey' => RandomUuid::make(),
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private function reckoned(Request $request, Order $order): array
    {
        $chosen = ChosenRefund::read($request->all());
        $how = $request->input('how') === 'exchange' ? 'exchange' : 'again';
        $sheet = Worksheet::of($order->loadMissing(['lines', 'payments']), $chosen);
        $goods = $why = null;
        try {
            $goods = $how === 'again' ? NewGoods::again($order, $chosen->lines) : NewGoods::of($order, self::goods($request));
        } catch (ExchangeRefused $refused) {
            $why = $refused->reason === 'nothing_chosen' ? null : $refused->getMessage();
        }
        $difference = $how === 'again' || $goods === null ? 0 : $sheet->total() - $goods->worth;

        return [
            'order' => $order, 'chosen' => $chosen, 'how' => $how, 'sheet' => $sheet, 'goods' => $goods, 'difference' => $difference,
            'why' => $why ?? ($how === 'exchange' && $sheet->quote === null && $sheet->why?->reason !== 'nothing_to_refund'
                ? $sheet->why?->getMessage()
                : null),
            'chosenGoods' => self::goods($request), 'return' => CustomerReturn::ofOrder($order, $request->integer('return')),
        ];
    }

    /**
     * @return array<string, int> units, by SKU
     */
    private static function goods(Request $request): array
    {
        $goods = [];
        foreach (array_slice((array) $request->input('goods'), 0, 10) as $one) {
            $sku = is_array($one) && is_string($one['sku'] ?? null) ? $one['sku'] : '';
            $quantity = is_array($one) && is_scalar($one['quantity'] ?? null) && ctype_digit((string) $one['quantity'])
                ? (int) $one['quantity'] : 0;
            $sku === '' || $quantity < 1 ?: $goods[$sku] = min(NewGoods::MOST_UNITS, ($goods[$sku] ?? 0) + $quantity);
        }

        return $goods;
    }
}
