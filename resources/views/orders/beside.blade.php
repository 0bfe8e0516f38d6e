@use('App\Orders\WhoseOrder')
<div id="orders-beside" @isset($oob) hx-swap-oob="morph" @endisset>
    @if ($sameOrder->isNotEmpty())
        <div class="same-order" role="status">
            <p><b>Open elsewhere too,</b> about
                {{ $sameOrder->flatMap(fn ($other) => $other->orders->pluck('number'))->unique()->implode(', ') }}:</p>
            @foreach ($sameOrder as $other)
                @php
                    $isOthers = WhoseOrder::othersOf($other, $other->orders)->isEmpty();
                    $isVerified = $isOthers && $ofOthers->only($other->orders->modelKeys())->isEmpty();
                @endphp
                <div class="same-order-one"><span><a href="{{ route('conversation', $other) }}">{{ $other->number() }}</a>
                    {{ $isVerified ? $other->customer->name.', ' : '' }}{{ $other->account->title() }},
                    {{ $other->owner?->firstName() ?? 'nobody’s yet' }}@unless ($isOthers), <b>not verified</b>@endunless</span>
                @can('resolve', $conversation)
                @if ($isVerified)
                    <form method="post" action="/conversations/{{ $conversation->id }}/join">@csrf<input type="hidden" name="other"
                        value="{{ $other->id }}"><button class="btn btn-sm btn-outline-secondary">Join
                        <span class="visually-hidden">{{ $other->number() }}</span> into this</button></form>
                @endif
                @endcan
                </div>
            @endforeach
        </div>
    @endif
    @foreach ($orders as $order)
        @if ($loop->first)
            <div class="order-head">
                <h2>Order <a href="{{ route('order', $order) }}">{{ $order->number }}</a></h2>
                <span class="soft">@if ($orderCount > 1){{ $orders->count() === 1 ? '1 of' : '' }} {{ $orderCount }} orders @endif</span>
                <form method="post" action="/conversations/{{ $conversation->id }}/orders/{{ $order->id }}">@csrf
                    @method('delete')<button class="btn-away" aria-label="Take order {{ $order->number }} away"
                    title="Take it away">×</button></form>
            </div>
            @include($ofOthers->has($order->id) ? 'orders.not-theirs' : 'orders.ledger', ['order' => $order])
            @can('answer-customers')@unless ($ofOthers->has($order->id))<p><a class="btn btn-sm btn-outline-secondary"
                href="/orders/{{ $order->id }}/refund?conversation={{ $conversation->id }}">Give money back</a>
                <a class="btn btn-sm btn-outline-secondary"
                href="/orders/{{ $order->id }}/return?conversation={{ $conversation->id }}">Something comes back</a>
                <a class="btn btn-sm btn-outline-secondary"
                href="/orders/{{ $order->id }}/send?conversation={{ $conversation->id }}">Send something</a></p>@endunless @endcan
        @else
            <details class="order-more" id="order-{{ $order->id }}">
                <summary><b>Order {{ $order->number }}</b> <span class="soft">@if ($ofOthers->has($order->id)) not verified @else
                    {{ $order->money($order->total) }}, {{ $time->short($order->placed_at) }}@endif</span></summary>
                @include($ofOthers->has($order->id) ? 'orders.not-theirs' : 'orders.ledger', ['order' => $order])
                @can('answer-customers')@unless ($ofOthers->has($order->id))<p><a class="btn btn-sm btn-outline-secondary"
                    href="/orders/{{ $order->id }}/refund?conversation={{ $conversation->id }}">Give money back</a>
                    <a class="btn btn-sm btn-outline-secondary"
                    href="/orders/{{ $order->id }}/return?conversation={{
                        $conversation->id }}">Something comes back</a></p>@endunless @endcan
                <form method="post" action="/conversations/{{ $conversation->id }}/orders/{{ $order->id }}">@csrf
                    @method('delete')<button class="btn btn-sm btn-outline-secondary">Take it away</button></form>
            </details>
        @endif
    @endforeach
    @foreach ($unknownNumbers as $unknown)
        <p class="message-mark"><x-icon name="warning"/>
            {{ $unknown->asked_at === null ? "The shop is being asked for {$unknown->number}." :
                "The shop does not know {$unknown->number}." }}</p>
    @endforeach
</div>
