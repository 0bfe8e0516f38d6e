<?php

declare(strict_types=1);

namespace App\Orders;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Returns\CustomerReturn;
use App\Sorting\WhoMayRead;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class OrderController
{
    use ActsOnConversation;

    private const ROWS = 50;

    public function __construct(
        private AttachOrders $attachOrders, private FindOrders $findOrders, private WhoMayRead $whoMayRead, private OrderNumbers $numbers
    ) {}

    public function index(Request $request): View
    {
        $find = trim(Written::text($request, 'find'));

        return view('orders.index', [
            'find' => $find,
            'orders' => $this->found($find),
        ]);
    }

    public function show(Order $order): View
    {
        RefreshOrder::whereStale($order);
        $order->load(['lines', 'payments', 'parcels.scans', 'customer.handles']);

        return view('orders.show', [
            'order' => $order,
            'stock' => Product::query()->whereIn('sku', $order->lines->pluck('sku'))->pluck('stock', 'sku')->all(),
            'returns' => CustomerReturn::query()->where('order_id', $order->id)->with(['lines.orderLine', 'reason'])->orderByDesc('id')
                ->get(),
            'conversations' => $this->whoMayRead->narrow($order->conversations())->with(['owner', 'account'])
                ->orderByDesc('last_message_at')->limit(50)->get(),
        ]);
    }

    public function attach(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $number = trim($request->validate(['number' => ['required', 'string', 'max:60']])['number']);
        $found = $this->findOrders->for('', null, $number);
        $order = $found->orders->first();
        if ($order === null) {
            LookUpNumber::dispatch($number);

            return redirect()
                ->route('conversation', $conversation)
                ->with(
                    'problem',
                    "No order {$number} is known here. The shop is being asked for it; if it has one, try again in a moment."
                );
        }
        $this->attachOrders->one($conversation, $order, 'hand', Actor::teammate(SignedIn::teammate($request)));

        return $this->done($conversation, "Order {$order->number} is beside it now.");
    }

    public function detach(Request $request, Conversation $conversation, Order $order): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $this->attachOrders->detach($conversation, $order, Actor::teammate(SignedIn::teammate($request)));

        return $this->done($conversation, "Order {$order->number} is taken away.");
    }

    /**
     * By number, the marketplace's number, the buyer's name or address; the latest first.
     *
     * @return \Illuminate\Contracts\Pagination\Paginator<int, Order>
     */
    private function found(string $find): \Illuminate\Contracts\Pagination\Paginator
    {
        $keys = $this->numbers->keysOf($find);
        $beginning = addcslashes($find, '%_\\').'%';

        return Order::query()
            ->with(['customer', 'payments'])
            ->when($find !== '', fn ($orders) => $orders->where(fn ($any) => $any
                ->whereIn('number_key', $keys)
                ->orWhereIn('marketplace_key', $keys)
                ->orWhere('email', $find)
                ->orWhere('buyer_name', 'like', $beginning)
                ->orWhere('buyer_name', 'like', '% '.$beginning)))
            ->orderByDesc('placed_at')
            ->orderByDesc('id')
            ->simplePaginate(self::ROWS)
            ->withQueryString();
    }
}
